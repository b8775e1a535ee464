import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useRef, useState } from "react";
import { changed } from "../api/changes";
import { api, ask, wording } from "../api/client";
import { queries } from "../api/queries";
import type { Family, Material } from "../api/types";
import { choices, familyFacts, familyWord } from "../api/words";
import { Button, Choice, ColourInput, Field, isColour, notify, TextInput } from "../ui";

const howFull = [
  { value: "", label: "not counted" },
  { value: "full", label: "full" },
  { value: "3/4", label: "three quarters" },
  { value: "half", label: "half" },
  { value: "1/4", label: "a quarter" },
  { value: "nearly empty", label: "nearly empty" },
  { value: "empty", label: "empty, to buy" },
];
const none = "none";

interface Props {
  /** What was typed already. */
  name?: string;
  /** The paint that was kept last. */
  onKept: (material: Material) => void;
  onDone: () => void;
}

/** A paint in five fields; family and colour are read from its name until they are set. Keep and next goes on to another. */
export function QuickPaint({ name: start = "", onKept, onDone }: Props) {
  const [name, setName] = useState(start);
  const [own, setOwn] = useState<{ family?: Family; colour?: string }>({});
  const [full, setFull] = useState("");
  const [price, setPrice] = useState("");
  const [fault, setFault] = useState<string>();
  const first = useRef<HTMLInputElement>(null);
  const asked = useDeferredValue(name.trim());
  const read = useQuery({ ...queries.pastedPaints(asked, ["name"], []), enabled: asked !== "" }).data?.rows[0];
  const family = own.family ?? (asked && read ? read.family : "acrylicPaint");
  const clear = familyFacts(family).clear;
  const colour = own.colour ?? (asked ? (read?.colour ?? "") : "");
  async function keep(next: boolean) {
    if (read?.onShelf && read.name === name.trim()) {
      setFault(`Give it another name: ${name.trim()} is on the shelf already.`);
      return;
    }
    try {
      const cells = [name.trim(), familyWord[family], clear ? "" : colour, full, price].map(
        (c) => `"${c.replaceAll('"', '""')}"`,
      );
      await ask(
        api.POST("/api/shelf/paste", {
          body: {
            text: cells.join("\t"),
            columns: ["name", "family", "colour", "howFull", "price"],
            leaveOut: false,
            dryRun: false,
          },
        }),
      );
      await changed("shelf", "bottles");
      const kept = (await ask(api.GET("/api/materials"))).find((m) => m.material.name === name.trim());
      if (kept) onKept(kept);
      notify(`${name.trim()} is on the shelf.`);
      setFault(undefined);
      if (!next) return onDone();
      setName("");
      setOwn({});
      setFull("");
      setPrice("");
      first.current?.focus();
    } catch (error) {
      setFault(wording(error));
    }
  }
  const ready = name.trim() !== "" && (clear || isColour(colour));
  return (
    <form
      className="flex flex-col gap-2"
      aria-label="New paint"
      onSubmit={(e) => {
        e.preventDefault();
        if (ready) void keep(true);
      }}
    >
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-[2fr_1.5fr_1.6fr_1.2fr_0.8fr]">
        <Field label="Name">
          {(id) => <TextInput id={id} ref={first} autoFocus value={name} onChange={(e) => setName(e.target.value)} />}
        </Field>
        <Field label="Family">
          {(id) => (
            <Choice
              id={id}
              label="Family"
              value={family}
              options={choices(familyWord)}
              onChange={(chosen) => setOwn((o) => ({ ...o, family: chosen }))}
            />
          )}
        </Field>
        <Field label="Colour">
          {(id) =>
            clear ? (
              <span id={id} className="flex min-h-8 items-center text-sm text-soft">
                clear
              </span>
            ) : (
              <ColourInput
                id={id}
                label="colour"
                value={colour}
                onChange={(chosen) => setOwn((o) => ({ ...o, colour: chosen }))}
              />
            )
          }
        </Field>
        <Field label="How full?">
          {(id) => (
            <Choice
              id={id}
              label="How full?"
              value={full || none}
              options={howFull.map((h) => ({ ...h, value: h.value || none }))}
              onChange={(chosen) => setFull(chosen === none ? "" : chosen)}
            />
          )}
        </Field>
        <Field label="Price">
          {(id) => <TextInput id={id} inputMode="decimal" value={price} onChange={(e) => setPrice(e.target.value)} />}
        </Field>
      </div>
      {fault && (
        <p role="alert" className="text-sm font-semibold text-stop">
          {fault}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onDone}>
          Close
        </Button>
        <Button disabled={!ready} onClick={() => void keep(false)}>
          Keep
        </Button>
        <Button look="main" type="submit" disabled={!ready}>
          Keep and next
        </Button>
      </div>
    </form>
  );
}
