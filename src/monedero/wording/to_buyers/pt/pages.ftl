## A página em que se escolhe como pagar

test-mode = Modo de teste: aqui não se cobra dinheiro
how-to-pay = Como quer pagar?
ways-to-pay = Formas de pagamento
no-way = Não há aqui forma de pagar esta encomenda.
no-way-next = Escreva-nos, por favor, para encontrarmos uma.
nothing-to-pay = Não há nada a pagar.
to-pay = A pagar
to-pay-monthly = A pagar por mês
paid-line = Pago
back-line = Devolvido a si
back-to-voucher-line = Devolvido ao vale que termina em { $ends }
rounded = Arredondado a moedas
at-most = no máximo { $amount }
fee-up-to = { $label }, no máximo
fee-name-more = Taxa desta forma de pagamento
fee-name-less = Desconto desta forma de pagamento
pay = Pagar { $amount }
order-now = Encomendar e pagar { $amount }
usual-way = Da última vez pagou assim.
leaves-page = Paga numa página de { $provider } e depois volta para aqui.
film = Ver um filme sobre isto
optional = { $label } (facultativo)
choose-one = Escolha
language-label = Língua
cannot-be-paid = Esta encomenda não pode ser paga aqui
shop-paused = Fechado por agora

## Como a encomenda chega

how-delivered = Como quer receber a encomenda?
ways-of-delivery = Formas de entrega
postcode = Código postal
town = Localidade
address = Morada: nome, rua e número
day = Dia
from-day = a partir de { $day }; escolha o dia
leaves-on = sai a { $day }
hours = das { $from } às { $until }
delivery-outside = { $name } não chega a esta morada.
delivery-address-unknown = Se { $name } chega lá depende do código postal, da localidade ou do país.
delivery-too-heavy = { $name } não leva este peso.
delivery-weight-unknown = O preço de { $name } depende do peso, que não se conhece.
delivery-no-rate = O preço de { $name } não se conhece nesta moeda.
delivery-over-amount = { $name } custa mais do que a própria encomenda.

## A página de uma encomenda

no-such-order = Essa encomenda não existe
order-line = { $line }, encomenda { $number }
go-on-with = Continuar com { $tender }
pay-by = Pagar { $amount } com { $tender }
receipt-title = Já pagou?
receipt-label = Envie-nos o comprovativo
receipt-kinds = PDF, PNG ou JPEG, no máximo 5 MB
receipts-sent = { $count ->
    [one] { $count } enviado; estamos a vê-lo
   *[other] { $count } enviados; estamos a vê-los
}
another-way = Ou pague de outra forma
choose-how = Escolha como pagar
keep-link = Guarde o endereço desta página: mostra-lhe em que ponto está a encomenda.
order-page = A página da sua encomenda: { $link }
order-contact = Dúvidas? Escreva para { $address }.
page-failed = Algo correu mal nesta página
page-failed-next = A sua encomenda está guardada e nada lhe foi cobrado.
load-again = Voltar a carregar a página
no-answer = Sem resposta
no-answer-again = A loja não responde. Tente de novo daqui a pouco.
no-answer-kept = A loja não responde. A sua encomenda fica aqui e é enviada de novo por si só.
choose-amount = Valor que escolhe
choose-between = de { $least } a { $most }
to-pay-now = A pagar agora
to-pay-at-most = A pagar, no máximo
rest-line = A pagar no próprio dia
rest-not-asked = Não é pedido
pay-at-most = Pagar no máximo { $amount }
on-the-day = dinheiro ou cartão no próprio dia
book-on-the-day = Reservar e pagar { $amount } no próprio dia
line-and-more = { $line } e mais { $more }
times = { $count } × { $line }

## A página de um artigo e o carrinho

add-to-cart = Pôr no carrinho
order-this = Encomendar
ways-here = Formas de pagar
other-lines = O que mais há
cart = Carrinho
cart-empty = O seu carrinho está vazio.
cart-less = Um a menos
cart-more = Um a mais
cart-remove = Retirar
to-checkout = Continuar para o pagamento
way-costs = mais { $amount }
in-parts = { $parts } prestações de { $each }
in-parts-first = { $parts } prestações: primeiro { $first }, depois { $each } cada
each-month = { $amount } por mês
later-deposit = { $now } ao reservar, { $rest } no próprio dia.
later-day = Paga no próprio dia.
weighed-less = Ficou em menos
