## Lo que está debajo del nombre de una forma de pago, por familia

ready-card = Escribe el número de la tarjeta y confirma en su banco.
ready-card-networks = { $networks }. Confirma en su banco.
ready-device-wallet = Confirma en el teléfono o el reloj que tiene su tarjeta.
ready-account-wallet = Entra en su monedero y confirma.
ready-pay-later = Paga en partes, o más tarde.
ready-bank-debit = Se cobra de su cuenta bancaria; usted da el número de cuenta y un mandato.
ready-online-banking = Confirma en su banco y vuelve aquí.
ready-credit-transfer = Hace una transferencia desde su banco{ $days ->
    [0] {""}
    [one] {" "}en el plazo de { $days } día
   *[other] {" "}en el plazo de { $days } días
}.
ready-cash = Paga en efectivo.
ready-cash-door = Paga en efectivo en la puerta.
ready-cash-collect = Paga en efectivo al recogerlo: { $where }.
ready-cheque = Envía un cheque por correo.
ready-counter-voucher = Lleva un número a una ventanilla y paga allí en efectivo.
ready-invoice = Recibe una factura{ $days ->
    [0] {""}
    [one] , a pagar en el plazo de { $days } día
   *[other] , a pagar en el plazo de { $days } días
}.
ready-shop-credit = Paga con el saldo que la tienda le guarda.
ready-fee = Se añaden { $fee }.
ready-discount = Paga { $fee } menos.

## Antes del pedido

ready-processed = { $provider } tramita el pago.
ready-no-card-data = El cargo en su tarjeta lo hace { $provider }. El número va solo allí y nunca llega a esta tienda.
ready-before-transfer = Después de pedir verá nuestra cuenta, una referencia y un código que lee la aplicación de su banco.
ready-before-cheque = Después de pedir verá a nombre de quién va el cheque y adónde enviarlo.
ready-before-invoice = Después de pedir puede guardar la factura.
ready-before-counter = Después de pedir verá el número con el que paga.

## Después del pedido

ready-after-transfer = Envíe el importe con la referencia { $reference }, por favor, para que encontremos su pago.
ready-after-cheque = Escriba { $reference } en el dorso del cheque, por favor.
ready-after-invoice = Indique { $reference } cuando pague, por favor.
ready-after-counter = Pague { $amount } con este número, por favor.
ready-after-cash = Tenga { $amount } a mano, por favor.

## Nombres ya hechos de las formas de pago, por método

method-name-card = Tarjeta
method-name-card-at-terminal = Tarjeta en el terminal
method-name-card-by-phone = Tarjeta por teléfono
method-name-device-wallet = Teléfono o reloj
method-name-account-wallet = Monedero digital
method-name-instalments = Plazos
method-name-pay-after-delivery = Pagar después de la entrega
method-name-sepa-direct-debit = Adeudo SEPA
method-name-online-banking = Banca en línea
method-name-bank-transfer = Transferencia bancaria
method-name-instant-transfer = Transferencia inmediata SEPA
method-name-wire-transfer = Transferencia internacional
method-name-cash-on-delivery = Pago contra entrega
method-name-cash-on-collection = Efectivo al recoger
method-name-cash-on-the-day = Efectivo el mismo día
method-name-cheque = Cheque
method-name-money-order = Giro postal
method-name-counter-voucher = Pago en ventanilla
method-name-invoice = Factura
method-name-shop-credit = Crédito de la tienda
method-name-gift-voucher = Vale regalo
