## Lo que dicen la página después del pago y el mensaje: un título y un texto

after-paying-open = Elija cómo pagar
    .text = El pedido { $number } aún no está pagado.
after-paying-at-provider = El pago no está terminado
    .text = Eligió { $tender } para pagar { $amount }. Termine el pago o elija otra forma de pagar.
after-paying-confirming = Gracias. Su pago está en camino
    .text = { $amount } con { $tender }: el cobro tarda unos días{ $until }. No tiene que hacer nada; le escribimos en cuanto el pedido { $number }, { $line }, esté pagado.
after-paying-authorised = Gracias. Su pago está asegurado
    .text = { $amount } quedan reservados con { $tender } para el pedido { $number }, { $line }. Se cobra { $when_taken }.
after-paying-declined = El pago fue rechazado
    .text = { $tender } fue rechazado para { $amount }{ $because } y no se cobró nada. El pedido { $number }, { $line }, sigue guardado para usted: elija otra forma de pagar o inténtelo de nuevo.
after-paying-abandoned = El pago no se terminó
    .text = Salió de { $tender } antes de pagar { $amount }; no se cobró nada. El pedido { $number }, { $line }, sigue guardado para usted: elija cómo pagar.
after-paying-expired = Se acabó el tiempo para pagar
    .text = { $tender } para { $amount } no se terminó a tiempo y no se cobró nada. El pedido { $number }, { $line }, sigue guardado para usted: elija cómo pagar.
after-paying-released = El pago fue liberado
    .text = Los { $amount } reservados con { $tender } para el pedido { $number }, { $line }, vuelven a ser suyos; no se cobró nada.
after-paying-authorisation-lapsed = La reserva del pago ha caducado
    .text = Los { $amount } reservados con { $tender } para el pedido { $number }, { $line }, vuelven a ser suyos; no se cobró nada.
after-paying-awaiting-payment = Gracias. Esperamos su pago
    .text = Eligió { $tender } para pagar { $amount }. El pedido { $number }, { $line }, queda guardado para usted mientras lo esperamos{ $until }.
after-paying-receipt-sent = Gracias. Estamos mirando su justificante
    .text = Envió un justificante de { $amount } con { $tender }. Le escribimos cuando lo hayamos visto.
after-paying-overdue = Su pago no ha llegado
    .text = { $amount } con { $tender } del pedido { $number }, { $line }, ya deberían haber llegado. Páguelo o elija otra forma de pagar{ $kept_until }.
after-paying-lapsed = Su pedido se ha anulado
    .text = { $amount } con { $tender } no llegaron, así que el pedido { $number }, { $line }, ya no está guardado para usted.
after-paying-part-taken = Gracias. Una parte de su pedido está pagada
    .text = Se cobraron { $taken } de { $amount } con { $tender } por el pedido { $number }, { $line }; el resto sigue reservado.
after-paying-paid = Gracias. Su pedido está pagado
    .text = Pagó { $taken } con { $tender } por el pedido { $number }, { $line }.
after-paying-part-missing = Una parte de su pedido no está pagada
    .text = Ha pagado { $taken } con { $tender } por el pedido { $number }, { $line }. Faltan { $missing }: su vale se devolvió cuando se dio el pedido por perdido y ya no los cubre. Escríbanos cómo quiere pagarlos.
after-paying-part-refunded = Se le devuelve una parte del pago
    .text = { $back } de los { $taken } que pagó con { $tender } por el pedido { $number }, { $line }, vuelven a usted{ $how_back }.
after-paying-refunded = Se le devuelve el pago
    .text = { $back } que pagó con { $tender } por el pedido { $number }, { $line }, vuelven a usted{ $how_back }.
after-paying-disputed = Ha reclamado su pago
    .text = Su banco está revisando { $amount } con { $tender } del pedido { $number }, { $line }. Nosotros le respondemos.
after-paying-dispute-lost = La reclamación se resolvió a su favor
    .text = { $amount } con { $tender } del pedido { $number }, { $line }, volvieron a usted. { $asks_back }
after-paying-returned = Su banco devolvió el recibo
    .text = { $amount } con { $tender } del pedido { $number }, { $line }, volvieron a su cuenta y están otra vez pendientes. { $asks_back }Escríbanos, por favor, cómo quiere pagarlo.
after-paying-deposit-paid = Gracias. Su señal está pagada
    .text = Ha pagado { $taken } con { $tender } por el pedido { $number }, { $line }.
after-paying-on-the-day = Gracias. Su reserva está hecha
    .text = El pedido { $number }, { $line }, queda guardado para usted. Paga { $amount } el mismo día.

## Lo que sigue a un pedido pagado

given-goods = A continuación se lo enviamos.
given-download = Su descarga ya está abierta.
given-course = Su curso ya está abierto.
given-membership = Su suscripción ha empezado.
given-booking = Su plaza está guardada.

## Cuándo se cobra un importe reservado

when-taken-now = de inmediato
when-taken-on-dispatch = cuando salga su pedido
when-taken-on-word = cuando esté listo

## Lo que se pide a quien recibió su dinero de vuelta

asks-back-goods = Devuelva, por favor, lo que recibió.{" "}
asks-back-other = El acceso ha terminado.{" "}

## Partes de las frases de arriba

until = , hasta el { $day }
kept-until = . Queda guardado para usted hasta el { $day }
by-credit = , de ellos { $credit } en crédito de la tienda
on-its-way = Ya va de camino.
test-order = Este es un pedido de prueba: no se mueve dinero.
letter-subject = { $shop }, pedido { $number }: { $headline }
because = {" "}({ $reason })

## Lo que se paga después de pedir

rest-owed = El resto, { $amount }, se paga el mismo día.
rest-paid = El resto, { $amount }, se pagó el mismo día.
rest-let-go = El resto, { $amount }, no se pide.
weighed-later = El importe exacto se sabe cuando sale el pedido, y no pasa de ese.
weighed-came-to = Se quedó en { $amount }, con un máximo de { $most }; lo reservado de más vuelve a ser suyo.
