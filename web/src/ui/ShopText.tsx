/**
 * The shop's own words, as a part of a page: the server has made them from Markdown and cleaned them, so that they hold
 * nothing that runs or fetches from elsewhere.
 */
export function ShopText({ html, className = "" }: { html: string; className?: string }) {
  if (!html) return null;
  return <div className={`shop-text ${className}`} dangerouslySetInnerHTML={{ __html: html }} />;
}
