import type { ReactNode } from "react";

interface HeadingProps {
  title: string;
  note?: ReactNode;
  children?: ReactNode;
}

/** The title of a view with a quiet note beside it and its actions at the end. */
export function Heading({ title, note, children }: HeadingProps) {
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-2">
      <h1 className="text-title">{title}</h1>
      {note && <p className="text-soft">{note}</p>}
      <div className="ml-auto flex flex-wrap items-baseline gap-x-4 gap-y-1">{children}</div>
    </div>
  );
}

/** Something that went wrong, where it can be seen and read out. */
export function Trouble({ children }: { children: ReactNode }) {
  return (
    <p role="alert" className="border-l-2 border-copper pl-3 py-1 my-3 text-copper font-medium">
      {children}
    </p>
  );
}

/** A view of which nothing is known yet: the first answer to it is on its way. It is said only where it takes a while. */
export function OnItsWay() {
  return (
    <div className="comes-late">
      <Waiting>The answer is on its way</Waiting>
    </div>
  );
}

/** Tells what is being worked out, where it will stand. */
export function Waiting({ children }: { children: ReactNode }) {
  return (
    <p role="status" className="py-4 text-soft">
      {children}…
    </p>
  );
}
