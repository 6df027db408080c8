## Lo que está mal en lo que se escribió, y lo que estaría bien

fault-not-found = «{ $value }» no existe. Compruebe la dirección de la página.
fault-tender-held-back = «{ $value }» no está disponible ahora para este pedido. Elija otra forma de pagar.
fault-order-settled = Este pedido no necesita otro pago. Vuelva a abrir la página para ver cómo va.
fault-address-missing = { $name } necesita una dirección. Escriba adónde debe ir.
fault-delivery-day = { $value } no es un día de { $name }. Los próximos días son: { $days }.
fault-delivery-refused = { $why } Elija otra forma de entrega.
fault-fee-unknown = No se sabe cuánto cuesta «{ $value }» en esta moneda. Elija otra forma de pagar.
fault-amount-zero = No hay nada que pagar.
fault-too-long = Esto tiene { $length } caracteres. Escriba { $longest } como máximo.
fault-card-number = Esto contiene un número de tarjeta. Nunca escriba aquí un número de tarjeta; no se guardó nada.
fault-not-published = Esta tienda todavía no acepta pedidos aquí.
fault-storefront-paused = Esta tienda no acepta pedidos por ahora.{ $opens ->
    [day] {" "}Vuelve a abrir el { $day }.
   *[later] {""}
  }{ $says ->
    [yes] {" "}{ $said }
   *[no] {""}
  }
fault-not-one-of = «{ $value }» no es una de las opciones. Elija una de: { $expected }.
fault-date-text = «{ $value }» no es un día. Escriba año, mes y día, como 2026-11-24.
fault-provider-silent = { $value } no responde ahora. Su pedido queda guardado; inténtelo de nuevo o elija otra forma de pagar.
fault-answer-missing = Falta «{ $label }». Rellénelo, por favor.
fault-answer-number = «{ $value }» no es un número. Escriba «{ $label }» en cifras, como 20 o 12.50.
fault-paper-kind = «{ $value }» es un archivo de otro tipo. Elija un PDF, PNG o JPEG.
fault-paper-broken = «{ $value }» no se abre. Guárdelo de nuevo o hágale una foto.
fault-paper-too-large = «{ $value }» ocupa { $size }. Elija un archivo de { $largest } como máximo.
fault-paper-empty = «{ $value }» está vacío. Elija otro archivo.
fault-papers-many = Ya ha enviado tantos archivos como se pueden guardar.
fault-unforeseen = Algo salió mal y no se le cobró nada. Inténtelo de nuevo; si vuelve a pasar, escríbanos con el número { $value }.
fault-cash-short = { $value } es menos de lo que hay que pagar. Escriba { $least } o más, o déjelo vacío.
fault-voucher-code = «{ $value }» no es el código de un vale. Tiene 24 letras y cifras, en grupos de cuatro.
fault-voucher-unknown = No hay ningún vale con este código. Compruébelo; después de { $left } códigos erróneos más tendrá que esperar.
fault-voucher-expired = El vale que termina en { $value } se podía usar hasta el { $day }.
fault-voucher-empty = En el vale que termina en { $value } ya no queda saldo.
fault-voucher-other-currency = El vale que termina en { $value } está en { $currency } y este pedido no.
fault-voucher-held-off = Hubo demasiados códigos erróneos. Inténtelo de nuevo dentro de { $value } minutos.
fault-voucher-stands-still = El vale que termina en { $value } no se puede usar ahora, porque su pago está en duda. Pregunte a la tienda.
fault-total-changed = Ahora hay que pagar { $now }. Mire otra vez el pedido antes de pagar.
fault-tries-many = Ha intentado pagar este pedido { $value } veces. Escríbanos y encontraremos una forma.
fault-amount-chosen = No se puede elegir { $value }. Elija de { $least } a { $most }.
fault-cart-text = Escriba el carrito como artículos con su cantidad, por ejemplo «star-chart:2»; «{ $value }» no se puede leer.
fault-cart-alone = { $value } se pide por separado. Sáquelo del carrito y pídalo en su propia página.
fault-cart-apart = { $value } no le llegan por la misma vía. Pídalos uno a uno.
fault-cart-price = No se sabe cuánto cuesta { $value } en { $currency }. Elija otra moneda.
