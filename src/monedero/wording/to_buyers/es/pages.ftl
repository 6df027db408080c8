## La página en la que se elige cómo pagar

test-mode = Modo de prueba: aquí no se cobra dinero
how-to-pay = ¿Cómo quiere pagar?
ways-to-pay = Formas de pago
no-way = Aquí no hay forma de pagar este pedido.
no-way-next = Escríbanos, por favor, para que encontremos una.
nothing-to-pay = No hay nada que pagar.
to-pay = A pagar
to-pay-monthly = A pagar cada mes
paid-line = Pagado
back-line = Devuelto a usted
back-to-voucher-line = Devuelto al vale que termina en { $ends }
rounded = Redondeado a monedas
at-most = como máximo { $amount }
fee-up-to = { $label }, como máximo
fee-name-more = Recargo por esta forma de pago
fee-name-less = Descuento por esta forma de pago
pay = Pagar { $amount }
order-now = Pedir y pagar { $amount }
usual-way = La última vez pagó así.
leaves-page = Paga en una página de { $provider } y después vuelve aquí.
film = Ver un vídeo sobre esto
optional = { $label } (opcional)
choose-one = Elija
language-label = Idioma
cannot-be-paid = Este pedido no se puede pagar aquí
shop-paused = Cerrado por ahora

## Cómo llega un pedido

how-delivered = ¿Cómo quiere recibirlo?
ways-of-delivery = Formas de entrega
postcode = Código postal
town = Localidad
address = Dirección: nombre, calle y número
day = Día
from-day = a partir del { $day }; elija el día
leaves-on = sale el { $day }
hours = de { $from } a { $until }
delivery-outside = { $name } no llega a esta dirección.
delivery-address-unknown = Que { $name } llegue allí depende del código postal, la localidad o el país.
delivery-too-heavy = { $name } no lleva este peso.
delivery-weight-unknown = El precio de { $name } depende del peso, que no se conoce.
delivery-no-rate = El precio de { $name } no se conoce en esta moneda.
delivery-over-amount = { $name } cuesta más que el propio pedido.

## La página de un pedido

no-such-order = Ese pedido no existe
order-line = { $line }, pedido { $number }
go-on-with = Continuar con { $tender }
pay-by = Pagar { $amount } con { $tender }
receipt-title = ¿Ha pagado ya?
receipt-label = Envíenos el justificante
receipt-kinds = PDF, PNG o JPEG, 5 MB como máximo
receipts-sent = { $count ->
    [one] { $count } enviado; lo estamos mirando
   *[other] { $count } enviados; los estamos mirando
}
another-way = O pague de otra forma
choose-how = Elija cómo pagar
keep-link = Guarde la dirección de esta página: le muestra cómo va su pedido.
order-page = La página de su pedido: { $link }
order-contact = ¿Preguntas? Escriba a { $address }.
page-failed = Algo ha fallado en esta página
page-failed-next = Su pedido está guardado y no se le ha cobrado nada.
load-again = Volver a cargar la página
no-answer = Sin respuesta
no-answer-again = La tienda no responde. Inténtelo de nuevo en un momento.
no-answer-kept = La tienda no responde. Su pedido se queda aquí y se envía otra vez por sí solo.
choose-amount = Importe que usted elige
choose-between = de { $least } a { $most }
to-pay-now = A pagar ahora
to-pay-at-most = A pagar, como máximo
rest-line = A pagar el mismo día
rest-not-asked = No se pide
pay-at-most = Pagar como máximo { $amount }
on-the-day = efectivo o tarjeta el mismo día
book-on-the-day = Reservar y pagar { $amount } el mismo día
line-and-more = { $line } y { $more } más
times = { $count } × { $line }

## La página de un artículo y el carrito

add-to-cart = Añadir al carrito
order-this = Pedirlo
ways-here = Formas de pago
other-lines = Qué más hay
cart = Carrito
cart-empty = Su carrito está vacío.
cart-less = Uno menos
cart-more = Uno más
cart-remove = Quitarlo
to-checkout = Seguir para pagar
way-costs = { $amount } más
in-parts = { $parts } plazos de { $each }
in-parts-first = { $parts } plazos: primero { $first }, luego { $each } cada uno
each-month = { $amount } al mes
later-deposit = { $now } al reservar, { $rest } el mismo día.
later-day = Paga el mismo día.
weighed-less = Se quedó en menos
