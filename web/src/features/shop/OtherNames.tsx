import { TextField } from "../../ui/TextField";
import { useChoices } from "./queries";
import type { Sections } from "./sections";

interface Named {
  id: string;
  name: string;
  names?: Record<string, string>;
}

interface Props extends Pick<Sections, "shop" | "save"> {
  title: string;
  /** Tells what of the shop is named. */
  of: "lines" | "deliveries";
}

/** The names of lines or of ways of delivery in the other languages of the shop; nothing where it has one. */
export function OtherNames({ shop, save, title, of }: Props) {
  const named = new Map(useChoices().data?.languages.map(({ code, name }) => [code, name]));
  const others = shop.languages.slice(1);
  const things: Named[] = shop[of];
  if (others.length === 0 || things.length === 0) return null;
  const rename = (id: string, tag: string, text: string) => (before: typeof shop) => ({
    ...before,
    [of]: before[of].map((thing) => {
      if (thing.id !== id) return thing;
      const rest = Object.entries(thing.names ?? {}).filter(([held]) => held !== tag);
      return { ...thing, names: Object.fromEntries(text ? [...rest, [tag, text]] : rest) };
    }),
  });
  return (
    <section aria-labelledby={`names-of-${of}`} className="mb-8">
      <h2 id={`names-of-${of}`} className="text-lg mb-1">
        {title}{" "}
        <span className="font-sans font-normal text-figure text-soft">
          where one is missing, buyers read the first
        </span>
      </h2>
      <ul className="border-t border-ink">
        {things.map((thing) => (
          <li
            key={thing.id}
            className="border-b border-rule-soft py-1 flex flex-wrap items-end gap-x-6 gap-y-1"
          >
            <span className="w-52 pb-1">{thing.name}</span>
            {others.map((tag) => (
              <div key={tag} lang={tag} className="flex-1 min-w-40">
                <TextField
                  label={`${thing.name} in ${named.get(tag) ?? tag}`}
                  hideLabel
                  wraps
                  suffix={named.get(tag) ?? tag}
                  value={thing.names?.[tag] ?? ""}
                  save={(text) => save(rename(thing.id, tag, text))}
                />
              </div>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}
