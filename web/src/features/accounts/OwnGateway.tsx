import type { FormEvent } from "react";
import { useNavigate } from "react-router";
import { said } from "../../api/client";
import { between } from "../../lib/lists";
import { useTyped } from "../../lib/useTyped";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { useAccountSearch } from "./mode";
import { useAddGateway } from "./queries";

/** A gateway of the shop's own, put among the providers by its name and address. */
export function OwnGateway({ onDone }: { onDone: () => void }) {
  const add = useAddGateway();
  const navigate = useNavigate();
  const search = useAccountSearch();
  const name = useTyped("name of a gateway");
  const address = useTyped("address of a gateway");
  const parts = useTyped("parts of credentials", "Key");
  function put(event: FormEvent) {
    event.preventDefault();
    add.mutate(
      { name: name.text, address: address.text, parts: between(parts.text) },
      {
        onSuccess: (added) => {
          for (const field of [name, address, parts]) field.forget();
          onDone();
          void navigate(`${added.go_to}${search}`);
        },
      },
    );
  }
  return (
    <form onSubmit={put} aria-labelledby="own-gateway" className="py-4 max-w-xl grid gap-3">
      <h2 id="own-gateway" className="text-2xl">
        A gateway of your own
      </h2>
      <p className="text-soft">
        A program that carries payments for you, such as a local phone transfer. It keeps the contract in
        docs/gateway.md, where an example lies too; what it carries is said by a rate card of the same id.
      </p>
      <InputField begin label="Name of your gateway" value={name.text} onChange={name.type} />
      <InputField
        label="Its address, such as http://127.0.0.1:8500"
        value={address.text}
        onChange={address.type}
      />
      <InputField label="Parts of its credentials, between commas" value={parts.text} onChange={parts.type} />
      {add.error && <Trouble>{said(add.error)}</Trouble>}
      <div className="flex gap-4">
        <Button look="strong" type="submit" disabled={add.isPending}>
          Add it
        </Button>
        <Button look="quiet" onClick={onDone}>
          Not now
        </Button>
      </div>
    </form>
  );
}
