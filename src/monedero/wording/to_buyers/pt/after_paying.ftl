## O que dizem a página depois do pagamento e a mensagem: um título e um texto

after-paying-open = Escolha como pagar
    .text = A encomenda { $number } ainda não está paga.
after-paying-at-provider = O pagamento não está concluído
    .text = Escolheu { $tender } para pagar { $amount }. Conclua o pagamento ou escolha outra forma de pagar.
after-paying-confirming = Obrigado. O seu pagamento está a caminho
    .text = { $amount } com { $tender }: a cobrança demora alguns dias{ $until }. Não precisa de fazer nada; escrevemos-lhe assim que a encomenda { $number }, { $line }, estiver paga.
after-paying-authorised = Obrigado. O seu pagamento está garantido
    .text = { $amount } ficam reservados com { $tender } para a encomenda { $number }, { $line }. A cobrança é feita { $when_taken }.
after-paying-declined = O pagamento foi recusado
    .text = { $tender } foi recusado para { $amount }{ $because } e nada foi cobrado. A encomenda { $number }, { $line }, continua guardada para si: escolha outra forma de pagar ou tente de novo.
after-paying-abandoned = O pagamento não foi concluído
    .text = Saiu de { $tender } antes de pagar { $amount }; nada foi cobrado. A encomenda { $number }, { $line }, continua guardada para si: escolha como pagar.
after-paying-expired = O tempo para pagar terminou
    .text = { $tender } para { $amount } não foi concluído a tempo e nada foi cobrado. A encomenda { $number }, { $line }, continua guardada para si: escolha como pagar.
after-paying-released = O pagamento foi libertado
    .text = Os { $amount } reservados com { $tender } para a encomenda { $number }, { $line }, são seus de novo; nada foi cobrado.
after-paying-authorisation-lapsed = A reserva do pagamento caducou
    .text = Os { $amount } reservados com { $tender } para a encomenda { $number }, { $line }, são seus de novo; nada foi cobrado.
after-paying-awaiting-payment = Obrigado. Aguardamos o seu pagamento
    .text = Escolheu { $tender } para pagar { $amount }. A encomenda { $number }, { $line }, fica guardada para si enquanto esperamos{ $until }.
after-paying-receipt-sent = Obrigado. Estamos a ver o seu comprovativo
    .text = Enviou um comprovativo de { $amount } com { $tender }. Escrevemos-lhe quando o tivermos visto.
after-paying-overdue = O seu pagamento não chegou
    .text = { $amount } com { $tender } para a encomenda { $number }, { $line }, já deviam ter chegado. Pague ou escolha outra forma de pagar{ $kept_until }.
after-paying-lapsed = A sua encomenda foi anulada
    .text = { $amount } com { $tender } não chegaram, por isso a encomenda { $number }, { $line }, já não está guardada para si.
after-paying-part-taken = Obrigado. Uma parte da encomenda está paga
    .text = Foram cobrados { $taken } de { $amount } com { $tender } para a encomenda { $number }, { $line }; o resto continua reservado.
after-paying-paid = Obrigado. A sua encomenda está paga
    .text = Pagou { $taken } com { $tender } pela encomenda { $number }, { $line }.
after-paying-part-missing = Uma parte da sua encomenda não está paga
    .text = Pagou { $taken } por { $tender } pela encomenda { $number }, { $line }. Faltam { $missing }: o seu vale foi devolvido quando a encomenda foi dada como perdida e já não os cobre. Escreva-nos como os quer pagar.
after-paying-part-refunded = Uma parte do seu pagamento é devolvida
    .text = { $back } dos { $taken } que pagou com { $tender } pela encomenda { $number }, { $line }, voltam para si{ $how_back }.
after-paying-refunded = O seu pagamento é devolvido
    .text = { $back } que pagou com { $tender } pela encomenda { $number }, { $line }, voltam para si{ $how_back }.
after-paying-disputed = Contestou o seu pagamento
    .text = O seu banco está a ver { $amount } com { $tender } da encomenda { $number }, { $line }. Nós respondemos-lhe.
after-paying-dispute-lost = A contestação foi decidida a seu favor
    .text = { $amount } com { $tender } da encomenda { $number }, { $line }, voltaram para si. { $asks_back }
after-paying-returned = O seu banco devolveu o débito
    .text = { $amount } com { $tender } da encomenda { $number }, { $line }, voltaram para a sua conta e estão de novo em dívida. { $asks_back }Diga-nos, por favor, como quer pagar.
after-paying-deposit-paid = Obrigado. O seu sinal está pago
    .text = Pagou { $taken } por { $tender } pela encomenda { $number }, { $line }.
after-paying-on-the-day = Obrigado. A sua reserva está feita
    .text = A encomenda { $number }, { $line }, fica guardada para si. Paga { $amount } no próprio dia.

## O que se segue a uma encomenda paga

given-goods = A seguir enviamos-lha.
given-download = A sua transferência de ficheiros está aberta.
given-course = O seu curso está aberto.
given-membership = A sua adesão começou.
given-booking = O seu lugar está guardado.

## Quando se cobra um valor reservado

when-taken-now = de imediato
when-taken-on-dispatch = quando a encomenda sair
when-taken-on-word = quando estiver pronta

## O que se pede a quem recebeu o dinheiro de volta

asks-back-goods = Devolva, por favor, o que recebeu.{" "}
asks-back-other = O acesso terminou.{" "}

## Partes das frases acima

until = , até { $day }
kept-until = . Fica guardada para si até { $day }
by-credit = , dos quais { $credit } em crédito da loja
on-its-way = Já vai a caminho.
test-order = Esta é uma encomenda de teste: não se move dinheiro.
letter-subject = { $shop }, encomenda { $number }: { $headline }
because = {" "}({ $reason })

## O que se paga depois de encomendar

rest-owed = O resto, { $amount }, paga-se no próprio dia.
rest-paid = O resto, { $amount }, foi pago no próprio dia.
rest-let-go = O resto, { $amount }, não é pedido.
weighed-later = O valor certo sabe-se quando a encomenda sai, e não passa desse.
weighed-came-to = Ficou em { $amount }, num máximo de { $most }; o que estava reservado a mais volta a ser seu.
