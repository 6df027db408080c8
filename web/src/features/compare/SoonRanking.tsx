import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { beforeHandChanges, type Hand } from "../hand";
import { type Comparison, comparisonOf, type Ranked } from "./queries";
import { Ranking, type RankingProps } from "./Ranking";

interface Props extends Omit<RankingProps, "ranked"> {
  hand: Hand;
  comparison: Comparison;
  fits: (entry: Ranked) => boolean;
}

/** The ranking of the order in hand, or already of the next one: it is asked for and drawn before the page changes. */
export function SoonRanking({ hand, comparison, fits, ...shown }: Props) {
  const client = useQueryClient();
  const [next, setNext] = useState<{ after: Hand; comparison: Comparison } | null>(null);
  useEffect(() => {
    let newest: Hand | null = null;
    return beforeHandChanges(async (coming) => {
      newest = coming;
      await client.prefetchQuery(comparisonOf(coming));
      const answer = client.getQueryData(comparisonOf(coming).queryKey);
      if (answer && newest === coming) setNext({ after: hand, comparison: answer });
    });
  }, [client, hand]);
  const { ranked } = next?.after === hand ? next.comparison : comparison;
  // The same list as long as nothing changes, so that the rows stand still.
  const rows = useMemo(() => ranked.filter(fits), [ranked, fits]);
  return <Ranking ranked={rows} {...shown} />;
}
