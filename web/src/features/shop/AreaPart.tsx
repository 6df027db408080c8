import { useState } from "react";
import { said } from "../../api/client";
import { between } from "../../lib/lists";
import { Button } from "../../ui/Button";
import { InputField } from "../../ui/InputField";
import { TextField } from "../../ui/TextField";
import { readTowns, type Shop } from "./queries";
import { wholeOrNone } from "./whole";

type Area = Shop["areas"][number];

interface Props {
  area: Area;
  code: string;
  country: string;
  save: (change: (area: Area) => Area) => Promise<unknown>;
}

/** The part of a country that lies in an area: how its postcodes begin, and its towns, by name or in a circle. */
export function AreaPart({ area, code, country, save }: Props) {
  const towns = area.towns[code] ?? [];
  const put = (of: "postcodes" | "towns", values: string[]) => (before: Area) => {
    const { [code]: _, ...others } = before[of];
    return { ...before, [of]: values.length > 0 ? { ...others, [code]: values } : others };
  };
  return (
    <div className="col-start-2 col-span-2 pl-2 border-l border-rule mb-2">
      <p className="text-small font-medium">{country}</p>
      <TextField
        label={`Postcodes in ${country} begin with, between commas`}
        value={(area.postcodes[code] ?? []).join(", ")}
        save={(text) => save(put("postcodes", between(text)))}
      />
      <TextField
        wraps
        label={`Towns in ${country}, between commas`}
        value={towns.join(", ")}
        save={(text) => save(put("towns", between(text)))}
      />
      <Circle
        code={code}
        country={country}
        add={(found) => save(put("towns", [...new Set([...towns, ...found])]))}
      />
    </div>
  );
}

/** Adds the towns in a circle around one. */
function Circle({
  code,
  country,
  add,
}: {
  code: string;
  country: string;
  add: (towns: string[]) => Promise<unknown>;
}) {
  const [around, setAround] = useState("");
  const [kilometres, setKilometres] = useState("20");
  const [told, setTold] = useState("");
  const [refused, setRefused] = useState("");
  async function look() {
    setTold("");
    setRefused("");
    try {
      const { towns } = await readTowns({ country: code, around, kilometres: wholeOrNone(kilometres) ?? 0 });
      await add(towns);
      setTold(`${towns.length} towns within ${kilometres} km of ${around} are in it.`);
    } catch (why) {
      setRefused(said(why));
    }
  }
  return (
    <form
      aria-label={`Towns around one in ${country}`}
      className="flex flex-wrap gap-3 items-end mt-1"
      onSubmit={(event) => {
        event.preventDefault();
        void look();
      }}
    >
      <InputField width="w-40" label="Or all towns around" value={around} onChange={setAround} />
      <InputField
        width="w-20"
        align="right"
        inputMode="numeric"
        label="within km"
        value={kilometres}
        onChange={setKilometres}
      />
      <Button type="submit" look="quiet">
        Add them
      </Button>
      <p
        role={refused ? "alert" : "status"}
        className={`basis-full text-small ${refused ? "text-copper font-medium" : "text-soft"}`}
      >
        {refused || told}
      </p>
    </form>
  );
}
