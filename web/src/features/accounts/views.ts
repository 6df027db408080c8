/** The views of Accounts. */
export const VIEWS = [
  { path: "/accounts", name: "Providers" },
  { path: "/accounts/papers", name: "Your details and papers" },
  { path: "/accounts/letters", name: "Phone and mailbox" },
];
