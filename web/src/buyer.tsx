import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { api, SENT_AGAIN } from "./api/client";
import { AfterPaying, BuyPage, CartPage, KeptOnFailure, LinePage } from "./features/buyer/pages";
import "./styles.css";

// What is refused is said in the language in which the page is read.
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

/** The page at an address: an order after paying by its token, a line, the cart, else the checkout. */
function page({ pathname, search }: Location) {
  const [, , part, id = ""] = pathname.split("/");
  const named = decodeURIComponent(id);
  if (part === "orders") return <AfterPaying token={named} />;
  if (part === "lines") return <LinePage line={named} search={search} />;
  return part === "cart" ? <CartPage search={search} /> : <BuyPage search={search} />;
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
