## Bons et avoirs

voucher-name = Bon qui se termine par { $ends }
voucher-title = Bon ou avoir
voucher-label = Code
voucher-apply = L’utiliser
voucher-remove = Le retirer
voucher-paid = { $amount } ont été payés avec le bon qui se termine par { $ends }.
voucher-order = Commander, payé par bon
voucher-back = { $amount } sont revenus sur le bon qui se termine par { $ends }.
voucher-sold = Votre bon de { $amount } : { $code }
voucher-sold-until = Il peut être utilisé jusqu’au { $day }.
voucher-keep = Gardez le code ; il n’est plus montré ensuite.
voucher-credit = Votre avoir de { $amount } : { $code }
voucher-left = Il reste { $amount }.
voucher-voucher = Bon
