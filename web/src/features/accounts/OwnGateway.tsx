import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { said } from "../../api/client";
import { between } from "../../lib/lists";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { Trouble } from "../../ui/Page";
import { useAccountSearch } from "./mode";
import { useAddGateway } from "./queries";

/** A gateway of the shop's own, put among the providers by its name and address. */
export function OwnGateway() {
  const add = useAddGateway();
  const navigate = useNavigate();
  const search = useAccountSearch();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState("");
  const [address, setAddress] = useState("");
  const [parts, setParts] = useState("Key");
  if (!open) {
    return (
      <Button look="quiet" className="mt-3 text-left text-small" onClick={() => setOpen(true)}>
        Add a gateway of your own
      </Button>
    );
  }
  function put(event: FormEvent) {
    event.preventDefault();
    add.mutate(
      { name, address, parts: between(parts) },
      { onSuccess: (added) => void navigate(`${added.go_to}${search}`) },
    );
  }
  return (
    <form onSubmit={put} className="mt-3 grid gap-2 text-small">
      <p className="text-soft">
        It keeps the contract in docs/gateway.md. What it carries is said by a rate card of the same id.
      </p>
      <InputField label="Name of your gateway" value={name} onChange={setName} />
      <InputField label="Its address" value={address} onChange={setAddress} />
      <InputField label="Parts of its credentials, between commas" value={parts} onChange={setParts} />
      {add.error && <Trouble>{said(add.error)}</Trouble>}
      <Button type="submit" disabled={add.isPending}>
        Add it
      </Button>
    </form>
  );
}
