import { lazy } from "react";

export const WordsPage = lazy(() => import("./WordsPage").then((module) => ({ default: module.WordsPage })));
