## Vales y crédito de la tienda

voucher-name = Vale que termina en { $ends }
voucher-title = Vale o crédito de la tienda
voucher-label = Código
voucher-apply = Usarlo
voucher-remove = Quitarlo
voucher-paid = { $amount } se pagaron con el vale que termina en { $ends }.
voucher-order = Pedir, pagado con vale
voucher-back = { $amount } volvieron al vale que termina en { $ends }.
voucher-sold = Su vale de { $amount }: { $code }
voucher-sold-until = Se puede usar hasta el { $day }.
voucher-keep = Guarde el código; no se vuelve a mostrar.
voucher-credit = Su crédito en la tienda de { $amount }: { $code }
voucher-left = Quedan { $amount }.
voucher-voucher = Vale
