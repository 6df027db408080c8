import { QueryClientProvider } from "@tanstack/react-query";
import { BrowserRouter, Route, Routes } from "react-router";
import { Toaster } from "sonner";
import { answersKept } from "../api/revisions";
import {
  AccountsPage,
  ApplicationPage,
  LettersPage,
  NotificationsPage,
  PapersPage,
} from "../features/accounts";
import { CheckoutPage } from "../features/checkout";
import {
  BestSetPage,
  CardPage,
  CataloguePage,
  ComparePage,
  NEW_PROVIDER,
  NewProviderPage,
  PlansPage,
  PrintPage,
} from "../features/compare";
import { CoveragePage } from "../features/coverage";
import { PublishPage } from "../features/publish";
import { RehearsePage } from "../features/rehearse";
import {
  ArrangementsPage,
  AssumptionsPage,
  BuyersPage,
  DeliveryPage,
  OrdersPage,
  ShopPage,
  VouchersPage,
} from "../features/shop";
import { WordsPage } from "../features/words";
import { Desk } from "./Desk";
import { NextPage } from "./NextPage";

const client = answersKept();

/** Every view and its address. */
export function App() {
  return (
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <Routes>
          <Route element={<Desk />}>
            <Route path="/" element={<NextPage />} />
            <Route path="/shop" element={<ShopPage />} />
            <Route path="/shop/delivery" element={<DeliveryPage />} />
            <Route path="/shop/arrangements" element={<ArrangementsPage />} />
            <Route path="/shop/vouchers" element={<VouchersPage />} />
            <Route path="/shop/orders" element={<OrdersPage />} />
            <Route path="/shop/buyers" element={<BuyersPage />} />
            <Route path="/shop/assumptions" element={<AssumptionsPage />} />
            <Route path="/compare" element={<ComparePage />} />
            <Route path="/compare/best" element={<BestSetPage />} />
            <Route path="/compare/plans" element={<PlansPage />} />
            <Route path="/compare/catalogue" element={<CataloguePage />} />
            <Route path="/compare/print" element={<PrintPage />} />
            <Route path={NEW_PROVIDER} element={<NewProviderPage />} />
            <Route path="/compare/cards/:provider/:day" element={<CardPage />} />
            <Route path="/accounts" element={<AccountsPage />} />
            <Route path="/accounts/papers" element={<PapersPage />} />
            <Route path="/accounts/letters" element={<LettersPage />} />
            <Route path="/accounts/:provider" element={<AccountsPage />} />
            <Route path="/accounts/:provider/application" element={<ApplicationPage />} />
            <Route path="/accounts/:provider/notifications" element={<NotificationsPage />} />
            <Route path="/checkout" element={<CheckoutPage />} />
            <Route path="/checkout/words" element={<WordsPage />} />
            <Route path="/coverage" element={<CoveragePage />} />
            <Route path="/rehearse" element={<RehearsePage />} />
            <Route path="/publish" element={<PublishPage />} />
          </Route>
        </Routes>
      </BrowserRouter>
      <Toaster position="bottom-left" toastOptions={{ className: "font-sans" }} />
    </QueryClientProvider>
  );
}
