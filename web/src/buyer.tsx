import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { api, SENT_AGAIN } from "./api/client";
import { AfterPaying, BuyPage, CartPage, KeptOnFailure, LinePage } from "./features/buyer/pages";
import "./styles.css";

// A refusal is said in the language in which the page is read.
api.use({
  onRequest({ request }) {
    request.headers.set("Accept-Language", document.documentElement.lang || navigator.languages.join(", "));
    return request;
  },
});
const client = new QueryClient({
  defaultOptions: {
    queries: { retry: 1, refetchOnWindowFocus: true, networkMode: "always" },
    mutations: SENT_AGAIN,
  },
});

/** The page at an address: an order after paying by its token; of a shop a line, the cart, else the checkout. */
function page({ pathname, search }: Location) {
  const [, , first = "", part = "", id = ""] = pathname.split("/").map(decodeURIComponent);
  if (first === "orders") return <AfterPaying token={part} />;
  if (part === "lines") return <LinePage shop={first} line={id} search={search} />;
  return part === "cart" ? (
    <CartPage shop={first} search={search} />
  ) : (
    <BuyPage shop={first} search={search} />
  );
}

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <KeptOnFailure>
        <QueryClientProvider client={client}>
          <Suspense>{page(window.location)}</Suspense>
        </QueryClientProvider>
      </KeptOnFailure>
    </StrictMode>,
  );
}
