## What is asked of a gateway, by method and path; a reference in the path is left out

asked-post-connection = Open the account by its credentials
asked-post-connection-by-email = Write to the address of the account
asked-post-connection-confirmed = Open the account that was confirmed by mail
asked-post-token = Open the account by the sign-in
asked-get-account = How does the account stand?
asked-post-domain = Look for your file on the storefront's domain
asked-put-endpoint = Notifications go to this address, signed with this secret
asked-post-endpoint-check = Send a notification, to see that they arrive
asked-post-payments = Begin a payment
asked-get-payments-one = How does the payment stand?
asked-post-payments-one-take = Take money that was authorised
asked-post-payments-one-refund = Give money back to the buyer
asked-post-payments-one-release = Give back what was authorised and not taken
asked-post-payments-one-cancel = End the payment, its buyer chose another way
asked-post-applications = Here is the application
asked-get-applications-one = How does the application stand?
asked-post-applications-one-answer = Here is the answer to what was asked

## What a gateway tells of its own accord, by the type of the notification

told-payment-moved = Something happened to the payment
told-account-changed = Something changed in the account
told-endpoint-checked = This notification arrives
told-notification = Something that could not be believed

by-hand = { $said }, by hand
