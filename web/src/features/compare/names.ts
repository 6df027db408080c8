import type { RouteOut } from "./queries";

/** Provider and plan of a route, or that it is the shop's own. */
export function behind(route: RouteOut): string {
  if (!route.provider_name) return "own arrangement";
  return route.plan_name ? `${route.provider_name} · ${route.plan_name}` : route.provider_name;
}

/** The same in short, for the end of a curve. */
export function behindShort(route: RouteOut): string {
  return [route.provider_name, route.plan_name].filter(Boolean).join(" ") || "own";
}

/** A route by all its names, for reading out. */
export function fullName(route: RouteOut): string {
  return [route.method_name, route.provider_name, route.plan_name].filter(Boolean).join(", ");
}
