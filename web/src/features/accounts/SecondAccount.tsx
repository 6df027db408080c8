import { useState } from "react";
import { said } from "../../api/client";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { useMode } from "./mode";
import { type Sheet, useBegin } from "./queries";

/** Opening another account with a provider, under a name of its own. */
export function SecondAccount({ sheet }: { sheet: Sheet }) {
  const begin = useBegin(useMode());
  const name = useTyped(`second account with ${sheet.provider}`);
  const [asked, setAsked] = useState(name.text !== "");
  if (!asked) {
    return (
      <p className="mt-2">
        <Button look="quiet" onClick={() => setAsked(true)}>
          Open a second account with {sheet.name}
        </Button>
      </p>
    );
  }
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        begin.mutate(
          { provider: sheet.provider, name: name.text },
          {
            onSuccess: () => {
              name.type("");
              setAsked(false);
            },
          },
        );
      }}
    >
      <InputField
        begin
        label={`What you call your second account with ${sheet.name}`}
        value={name.text}
        onChange={name.type}
        width="w-72"
      />
      <Button type="submit" disabled={begin.isPending || name.text.trim() === ""}>
        Open it
      </Button>
      <Button look="quiet" onClick={() => setAsked(false)}>
        Not now
      </Button>
      {begin.error && <Trouble>{said(begin.error)}</Trouble>}
    </form>
  );
}
