import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { api } from "./api/client";
import { AfterPaying, BuyPage, KeptOnFailure } from "./features/buyer/pages";
import "./styles.css";

// What is refused is said in the language in which the page is read.
api.use({
  onRequest({ request }) {
    request.headers.set("Accept-Language", document.documentElement.lang || navigator.languages.join(", "));
    return request;
  },
});
const client = new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: true } } });

/** The page at an address: an order after paying by its token, else the checkout. */
function page({ pathname, search }: Location) {
  const token = /^\/buy\/orders\/([^/]+)$/.exec(pathname)?.[1];
  return token ? <AfterPaying token={decodeURIComponent(token)} /> : <BuyPage search={search} />;
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
