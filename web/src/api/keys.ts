/** Every key under which an answer of the server is kept. */
export const keys = {
  shop: ["shop"],
  accounts: ["accounts"],
  choices: ["choices"],
  checkout: ["checkout"],
  compare: ["compare"],
  view: ["view"],
  offer: ["offer"],
  publication: ["publication"],
  orders: ["orders"],
  order: (token: string) => ["order", token],
} as const;
