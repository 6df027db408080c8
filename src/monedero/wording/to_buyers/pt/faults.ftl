## O que está errado no que se escreveu, e o que seria certo

fault-not-found = “{ $value }” não existe. Verifique o endereço da página.
fault-tender-held-back = “{ $value }” não está disponível agora para esta encomenda. Escolha outra forma de pagar.
fault-order-settled = Esta encomenda não precisa de outro pagamento. Volte a abrir a página para ver em que ponto está.
fault-address-missing = { $name } precisa de uma morada. Escreva para onde deve ir.
fault-delivery-day = { $value } não é um dia de { $name }. Os próximos dias são: { $days }.
fault-delivery-refused = { $why } Escolha outra forma de entrega.
fault-fee-unknown = Não se sabe quanto custa “{ $value }” nesta moeda. Escolha outra forma de pagar.
fault-amount-zero = Não há nada a pagar.
fault-too-long = Isto tem { $length } caracteres. Escreva no máximo { $longest }.
fault-card-number = Isto contém um número de cartão. Nunca escreva aqui um número de cartão; nada foi guardado.
fault-not-published = Esta loja ainda não aceita encomendas aqui.
fault-not-one-of = “{ $value }” não é uma das opções. Escolha uma de: { $expected }.
fault-date-text = “{ $value }” não é um dia. Escreva ano, mês e dia, como 2026-11-24.
fault-provider-silent = { $value } não responde agora. A sua encomenda fica guardada; tente de novo ou escolha outra forma de pagar.
fault-answer-missing = Falta “{ $label }”. Preencha, por favor.
fault-answer-number = “{ $value }” não é um número. Escreva “{ $label }” em algarismos, como 20 ou 12.50.
fault-paper-kind = “{ $value }” é um ficheiro de outro tipo. Escolha um PDF, PNG ou JPEG.
fault-paper-broken = “{ $value }” não abre. Guarde-o de novo ou tire-lhe uma fotografia.
fault-paper-too-large = “{ $value }” tem { $size }. Escolha um ficheiro de { $largest } no máximo.
fault-paper-empty = “{ $value }” está vazio. Escolha outro ficheiro.
fault-papers-many = Já enviou tantos ficheiros quantos se podem guardar.
fault-unforeseen = Algo correu mal e nada lhe foi cobrado. Tente de novo; se voltar a acontecer, escreva-nos com o número { $value }.
fault-cash-short = { $value } é menos do que há a pagar. Escreva { $least } ou mais, ou deixe em branco.
