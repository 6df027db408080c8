/**
 * The address of a page, for a link or a frame: on this site, or over HTTP. Whatever else it says, such as script,
 * leads to an empty page. The server looks at addresses from outside too, before it keeps them.
 */
export function pageOf(address: string): string {
  const base = "http://this.site";
  const leads = URL.canParse(address, base) && /^https?:$/.test(new URL(address, base).protocol);
  return leads ? address : "about:blank";
}

/** Leave for a page. */
export function goTo(address: string): void {
  window.location.assign(pageOf(address));
}
