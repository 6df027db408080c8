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
fault-storefront-paused = Esta loja não aceita encomendas por agora.{ $opens ->
    [day] {" "}Volta a abrir a { $day }.
   *[later] {""}
  }{ $says ->
    [yes] {" "}{ $said }
   *[no] {""}
  }
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
fault-voucher-code = “{ $value }” não é o código de um vale. Tem 24 letras e algarismos, em grupos de quatro.
fault-voucher-unknown = Não há nenhum vale com este código. Verifique-o; depois de mais { $left } códigos errados terá de esperar.
fault-voucher-expired = O vale que termina em { $value } era válido até { $day }.
fault-voucher-empty = O vale que termina em { $value } já não tem saldo.
fault-voucher-other-currency = O vale que termina em { $value } é em { $currency } e esta encomenda não.
fault-voucher-held-off = Houve demasiados códigos errados. Tente de novo daqui a { $value } minutos.
fault-voucher-stands-still = O vale que termina em { $value } não pode ser usado agora, porque o seu pagamento está em causa. Pergunte à loja.
fault-total-changed = Agora há { $now } a pagar. Veja outra vez a encomenda antes de pagar.
fault-tries-many = Tentou pagar esta encomenda { $value } vezes. Escreva-nos e encontraremos uma forma.
fault-amount-chosen = Não se pode escolher { $value }. Escolha de { $least } a { $most }.
fault-cart-text = Escreva o carrinho como artigos com a quantidade de cada um, por exemplo “star-chart:2”; “{ $value }” não se consegue ler.
fault-cart-alone = { $value } encomenda-se à parte. Retire-o do carrinho e encomende-o na sua própria página.
fault-cart-apart = { $value } não chegam até si da mesma forma. Encomende um de cada vez.
fault-cart-price = Não se sabe quanto custa { $value } em { $currency }. Escolha outra moeda.
