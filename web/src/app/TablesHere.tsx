import { type RefObject, useEffect, useState } from "react";
import { toast } from "sonner";
import { csvOf, nameOf, rowsOf, tabbed } from "../lib/tables";
import { Button } from "../ui/Button";

/** Every table of the view can be copied, and taken as a file. */
export function TablesHere({ work }: { work: RefObject<HTMLElement | null> }) {
  const [tables, setTables] = useState<HTMLTableElement[]>([]);

  useEffect(() => {
    const place = work.current;
    if (!place) return;
    const look = () =>
      setTables((before) => {
        const found = [...place.querySelectorAll("table")];
        const same = found.length === before.length && found.every((table, at) => table === before[at]);
        return same ? before : found;
      });
    look();
    const watch = new MutationObserver(look);
    watch.observe(place, { childList: true, subtree: true });
    return () => watch.disconnect();
  }, [work]);

  if (tables.length === 0) return null;
  return (
    <details className="mt-8 text-small text-soft print:hidden">
      <summary>
        {tables.length === 1 ? "The table of this view" : `The ${tables.length} tables of this view`}, to copy
        or as a file
      </summary>
      <ul className="mt-1">
        {tables.map((table, place) => {
          const name = nameOf(table);
          return (
            <li key={`${place} ${name}`} className="flex flex-wrap gap-x-4">
              {name}
              <Button
                look="quiet"
                aria-label={`Copy ${name}`}
                onClick={() =>
                  void navigator.clipboard.writeText(tabbed(rowsOf(table))).then(
                    () => toast(`${name} is copied.`),
                    () => toast.error("The browser does not allow copying here."),
                  )
                }
              >
                Copy
              </Button>
              <Button look="quiet" aria-label={`${name} as CSV`} onClick={() => save(name, rowsOf(table))}>
                As CSV
              </Button>
            </li>
          );
        })}
      </ul>
    </details>
  );
}

function save(name: string, rows: string[][]) {
  const address = URL.createObjectURL(new Blob([csvOf(rows)], { type: "text/csv" }));
  const link = document.createElement("a");
  link.href = address;
  link.download = `${name.toLowerCase().replace(/[^a-z0-9]+/g, "-")}.csv`;
  link.click();
  URL.revokeObjectURL(address);
}
