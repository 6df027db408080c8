## O que é preciso para pagar diretamente à loja

paper-transfer = A sua transferência
paper-cheque = O seu cheque
paper-cash = O que paga em dinheiro
paper-invoice = A sua fatura
paper-counter = O seu número para o balcão
paper-holder = A favor de
paper-iban = IBAN
paper-account-number = Número de conta
paper-bank-code = Código do banco
paper-sort-code = Sort code
paper-routing-number = Routing number
paper-bsb = BSB
paper-ifsc = IFSC
paper-clabe = CLABE
paper-transit = Número de trânsito e instituição
paper-branch = Banco e agência
paper-bic = BIC
paper-bank = Banco
paper-reference = Referência
paper-amount = Valor
paper-until = Pagar até
paper-last-day = Último dia
paper-payee = À ordem de
paper-send-to = Enviar para
paper-pays-with = Paga com
paper-change = Troco
paper-number = Número
paper-day = Data
paper-purchase-order = A sua nota de encomenda
paper-bill-to = Faturar a
paper-tax-number = Número fiscal
paper-save-invoice = Guardar a fatura { $number } (PDF)
paper-invoice-link = A fatura em PDF: { $link }
paper-qr = Código QR da transferência para a aplicação do banco
paper-qr-text = A aplicação do seu banco lê este código e preenche a transferência.
paper-qr-link = Na página da sua encomenda há um código QR para a aplicação do banco: { $link }
paper-bars = Código de barras do número { $number }

## O que acontece a seguir, e o que fazer se nada acontecer

next-credit-transfer = Uma transferência demora um ou dois dias úteis. Escrevemos-lhe assim que chegar. Se ao fim de quatro dias úteis não souber nada de nós, envie-nos o comprovativo.
next-cheque = Um cheque demora cerca de uma semana. Escrevemos-lhe assim que for depositado. Se ao fim de duas semanas não souber nada de nós, escreva-nos.
next-cash = Até lá não é preciso fazer mais nada.
next-invoice = Escrevemos-lhe assim que o pagamento chegar. Se uma semana depois de pagar não souber nada de nós, escreva-nos.
next-counter-voucher = Um pagamento ao balcão chega-nos em três dias. Escrevemos-lhe assim que chegar; se até lá não souber nada de nós, escreva-nos com o talão do balcão.
next-other = Escrevemos-lhe assim que o pagamento chegar. Se uma semana depois de pagar não souber nada de nós, escreva-nos.

## Campos que uma forma de pagamento pede por si

ask-bill-to = Nome e morada para a fatura
ask-purchase-order = Número da nota de encomenda
ask-pays-with = Nota com que paga, para termos troco

## A fatura

invoice-title = Fatura { $number }
invoice-order = Encomenda { $number } de { $day }
invoice-delivery = Entrega: { $name }
invoice-total = A pagar
