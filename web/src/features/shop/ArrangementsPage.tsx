import { useHandSearch } from "../../lib/handSearch";
import { Heading, OnItsWay } from "../../ui/Page";
import { SubNav } from "../../ui/SubNav";
import { Accounts, Cheques, Invoices } from "./Arrangements";
import { useSections } from "./sections";
import { VIEWS } from "./views";

/** Tells what buyers are told by the shop's own arrangements: accounts for transfers, cheques, invoices. */
export function ArrangementsPage() {
  const sections = useSections();
  const search = useHandSearch();
  if (!sections) return <OnItsWay />;
  return (
    <>
      <SubNav label="Views of Shop" search={search} views={VIEWS} />
      <Heading title="Your own arrangements" note="what buyers are told to pay you directly" />
      <Accounts {...sections} />
      <Cheques {...sections} />
      <Invoices {...sections} />
    </>
  );
}
