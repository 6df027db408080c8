## Lo que hace falta para pagar directamente a la tienda

paper-transfer = Su transferencia
paper-cheque = Su cheque
paper-cash = Lo que paga en efectivo
paper-invoice = Su factura
paper-counter = Su número para la ventanilla
paper-holder = A favor de
paper-iban = IBAN
paper-account-number = Número de cuenta
paper-bank-code = Código del banco
paper-sort-code = Sort code
paper-routing-number = Routing number
paper-bsb = BSB
paper-ifsc = IFSC
paper-clabe = CLABE
paper-transit = Número de tránsito e institución
paper-branch = Banco y sucursal
paper-bic = BIC
paper-bank = Banco
paper-reference = Referencia
paper-amount = Importe
paper-until = Pagar antes del
paper-last-day = Último día
paper-payee = A nombre de
paper-send-to = Enviar a
paper-pays-with = Paga con
paper-change = Cambio
paper-number = Número
paper-day = Fecha
paper-purchase-order = Su orden de compra
paper-bill-to = Facturar a
paper-tax-number = Número fiscal
paper-save-invoice = Guardar la factura { $number } (PDF)
paper-invoice-link = La factura en PDF: { $link }
paper-qr = Código QR de la transferencia para la aplicación del banco
paper-qr-text = La aplicación de su banco lee este código y rellena la transferencia.
paper-qr-link = En la página de su pedido hay un código QR para la aplicación del banco: { $link }
paper-bars = Código de barras del número { $number }

## Qué pasa después, y qué hacer si no pasa nada

next-credit-transfer = Una transferencia tarda uno o dos días hábiles. Le escribimos en cuanto llegue. Si después de cuatro días hábiles no sabe nada de nosotros, envíenos el justificante.
next-cheque = Un cheque tarda alrededor de una semana. Le escribimos en cuanto se haya ingresado. Si después de dos semanas no sabe nada de nosotros, escríbanos.
next-cash = Hasta entonces no hay que hacer nada más.
next-invoice = Le escribimos en cuanto llegue su pago. Si una semana después de pagar no sabe nada de nosotros, escríbanos.
next-counter-voucher = Un pago en ventanilla nos llega en tres días. Le escribimos en cuanto llegue; si para entonces no sabe nada de nosotros, escríbanos con el resguardo de la ventanilla.
next-other = Le escribimos en cuanto llegue su pago. Si una semana después de pagar no sabe nada de nosotros, escríbanos.

## Campos que una forma de pago pide por sí misma

ask-bill-to = Nombre y dirección para la factura
ask-purchase-order = Número de orden de compra
ask-pays-with = Billete con el que paga, para tener cambio

## La factura

invoice-title = Factura { $number }
invoice-order = Pedido { $number } del { $day }
invoice-delivery = Entrega: { $name }
invoice-total = A pagar
