## Vales e crédito da loja

voucher-name = Vale que termina em { $ends }
voucher-title = Vale ou crédito da loja
voucher-label = Código
voucher-apply = Usar
voucher-remove = Retirar
voucher-paid = { $amount } foram pagos com o vale que termina em { $ends }.
voucher-order = Encomendar, pago com vale
voucher-back = { $amount } voltaram ao vale que termina em { $ends }.
voucher-sold = O seu vale de { $amount }: { $code }
voucher-sold-until = Pode ser usado até { $day }.
voucher-keep = Guarde o código; não volta a ser mostrado.
voucher-credit = O seu crédito na loja de { $amount }: { $code }
voucher-left = Restam { $amount }.
voucher-voucher = Vale
