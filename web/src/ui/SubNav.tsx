import { NavLink } from "react-router";

interface Props {
  label: string;
  search: string;
  views: { path: string; name: string }[];
  /** The view that is open, where the address says more than its path. */
  open?: string;
}

/** The views of one stage, side by side above the work. */
export function SubNav({ label, search, views, open }: Props) {
  return (
    <nav aria-label={label} className="flex flex-wrap gap-x-5 text-soft mb-3 -mt-1 print:hidden">
      {views.map((view) => (
        <NavLink
          key={view.path}
          end
          to={`${view.path}${search}`}
          className={({ isActive }) =>
            `min-h-6 underline-offset-4 ${isActive || view.path === open ? "text-ink font-semibold" : "underline decoration-rule hover:text-ink"}`
          }
        >
          {view.name}
        </NavLink>
      ))}
    </nav>
  );
}
