import { Picks } from "../../ui/Picks";
import { useChoices } from "./queries";
import type { Sections } from "./sections";

/** The languages in which the shop sells; the first is read where another lacks a text. */
export function Languages({ shop, quietly }: Sections) {
  const options = (useChoices().data?.languages ?? []).map(({ code, name }) => ({
    value: code,
    label: name,
  }));
  return (
    <Picks
      label="Languages of buyers, the first where another lacks a text"
      values={shop.languages}
      options={options}
      none="English"
      add={(typed) => typed}
      onPick={(languages) =>
        quietly((before) => ({ ...before, languages: languages.length > 0 ? languages : before.languages }))
      }
    />
  );
}
