## Vouchers and shop credit

voucher-name = Voucher ending in { $ends }
voucher-title = Voucher or shop credit
voucher-label = Code
voucher-apply = Use it
voucher-remove = Take it away
voucher-paid = { $amount } was paid by the voucher ending in { $ends }.
voucher-order = Order, paid by voucher
voucher-back = { $amount } went back to the voucher ending in { $ends }.
voucher-sold = Your voucher over { $amount }: { $code }
voucher-sold-until = It can be used until { $day }.
voucher-keep = Keep the code; it is not shown again.
voucher-credit = Your shop credit over { $amount }: { $code }
voucher-left = { $amount } is left on it.
voucher-voucher = Voucher
