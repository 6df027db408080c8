import { Refusal, said } from "../../api/client";
import { askFirst } from "../../ui/AskFirst";
import { Button } from "../../ui/Button";
import { Trouble } from "../../ui/Page";
import { useRemoveProvider } from "./queries";

interface Props {
  provider: string;
  name: string;
  /** Tells what is done when it is gone. */
  onGone: () => void;
}

/** Taking a provider away for good; what still uses it is told, each thing in a sentence. */
export function TakeAway({ provider, name, onGone }: Props) {
  const remove = useRemoveProvider();
  const uses = remove.error instanceof Refusal ? remove.error.problem.errors : [];

  async function take() {
    const question = {
      title: `Take ${name} away?`,
      sentences: ["Its rate card goes, with every version, and all that you wrote about it, for good."],
      act: "Take it away for good",
    };
    if (await askFirst(question)) remove.mutate(provider, { onSuccess: onGone });
  }

  return (
    <section aria-label={`Taking ${name} away`} className="mb-6 border-t border-rule pt-2">
      <Button look="quiet" onClick={take}>
        Take {name} away
      </Button>
      {uses.map((use) => (
        <Trouble key={use.code + use.detail}>{use.detail}</Trouble>
      ))}
      {remove.error && uses.length === 0 && <Trouble>{said(remove.error)}</Trouble>}
    </section>
  );
}
