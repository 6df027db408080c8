import type { ReactNode } from "react";
import { NavLink } from "react-router";
import { Boundary } from "../ui/Boundary";
import { type Mark, STAGES, useMarkedStages } from "./stages";

const MARKS: Record<Mark, string> = {
  done: "bg-verdigris border-verdigris",
  open: "border-copper",
  unknown: "border-rule border-dashed",
  waiting: "border-saffron bg-linear-to-r from-saffron from-50% to-transparent to-50%",
};

/** The stages, each with a quiet mark of what is unfinished there; without marks where these cannot be read. */
export function StageNav({ search }: { search: string }) {
  const plain = STAGES.map(({ path, name }) => (
    <StageLink key={path} to={`${path}${search}`}>
      {name}
    </StageLink>
  ));
  return (
    <nav aria-label="Stages" className="ml-auto flex flex-wrap max-lg:ml-0">
      <Boundary what="The marks of the stages" instead={plain}>
        <Marked search={search} />
      </Boundary>
    </nav>
  );
}

function Marked({ search }: { search: string }) {
  return useMarkedStages().map((stage) => (
    <StageLink key={stage.path} to={`${stage.path}${search}`}>
      {stage.name}
      <span className={`size-2 rounded-full border-[1.5px] ${MARKS[stage.mark]}`} aria-hidden />
      <span className="sr-only">{stage.note}</span>
    </StageLink>
  ));
}

function StageLink({ to, children }: { to: string; children: ReactNode }) {
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        `flex items-center gap-1.5 px-3 min-h-7 border-b-2 -mb-px ${isActive ? "border-ink font-semibold" : "border-transparent hover:border-rule"}`
      }
    >
      {children}
    </NavLink>
  );
}
