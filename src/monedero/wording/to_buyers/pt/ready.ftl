## O que está por baixo do nome de uma forma de pagamento, por família

ready-card = Escreve o número do cartão e confirma no seu banco.
ready-card-networks = { $networks }. Confirma no seu banco.
ready-device-wallet = Confirma no telemóvel ou no relógio que tem o seu cartão.
ready-account-wallet = Entra na sua carteira e confirma.
ready-pay-later = Paga em partes, ou mais tarde.
ready-bank-debit = Cobrado da sua conta bancária; dá o número da conta e uma autorização.
ready-online-banking = Confirma no seu banco e volta para aqui.
ready-credit-transfer = Faz uma transferência no seu banco{ $days ->
    [0] {""}
    [one] {" "}no prazo de { $days } dia
   *[other] {" "}no prazo de { $days } dias
}.
ready-cash = Paga em dinheiro.
ready-cash-door = Paga em dinheiro à porta.
ready-cash-collect = Paga em dinheiro quando levantar: { $where }.
ready-cheque = Envia um cheque pelo correio.
ready-counter-voucher = Leva um número a um balcão e paga lá em dinheiro.
ready-invoice = Recebe uma fatura{ $days ->
    [0] {""}
    [one] , a pagar no prazo de { $days } dia
   *[other] , a pagar no prazo de { $days } dias
}.
ready-shop-credit = Paga com o saldo que a loja guarda para si.
ready-fee = Acrescem { $fee }.
ready-discount = Paga menos { $fee }.

## Antes da encomenda

ready-processed = O pagamento é tratado por { $provider }.
ready-no-card-data = O seu cartão é debitado por { $provider }. O número vai só para lá e nunca chega a esta loja.
ready-before-transfer = Depois de encomendar vê a nossa conta, uma referência e um código que a aplicação do seu banco lê.
ready-before-cheque = Depois de encomendar vê à ordem de quem é o cheque e para onde o enviar.
ready-before-invoice = Depois de encomendar pode guardar a fatura.
ready-before-counter = Depois de encomendar vê o número com que paga.

## Depois da encomenda

ready-after-transfer = Envie o valor com a referência { $reference }, por favor, para encontrarmos o seu pagamento.
ready-after-cheque = Escreva { $reference } nas costas do cheque, por favor.
ready-after-invoice = Indique { $reference } quando pagar, por favor.
ready-after-counter = Pague { $amount } com este número, por favor.
ready-after-cash = Tenha { $amount } à mão, por favor.

## Nomes já feitos das formas de pagamento, por método

method-name-card = Cartão
method-name-card-at-terminal = Cartão no terminal
method-name-card-by-phone = Cartão por telefone
method-name-device-wallet = Telemóvel ou relógio
method-name-account-wallet = Carteira digital
method-name-instalments = Prestações
method-name-pay-after-delivery = Pagar depois da entrega
method-name-sepa-direct-debit = Débito direto SEPA
method-name-online-banking = Banco online
method-name-bank-transfer = Transferência bancária
method-name-instant-transfer = Transferência imediata SEPA
method-name-wire-transfer = Transferência internacional
method-name-cash-on-delivery = Pagamento na entrega
method-name-cash-on-collection = Dinheiro no levantamento
method-name-cash-on-the-day = Dinheiro no próprio dia
method-name-cheque = Cheque
method-name-money-order = Vale postal
method-name-counter-voucher = Pagamento ao balcão
method-name-invoice = Fatura
method-name-shop-credit = Crédito da loja
method-name-gift-voucher = Vale-oferta
