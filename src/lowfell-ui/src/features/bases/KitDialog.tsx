import { useQuery } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { bounds } from "../../api/bounds";
import { changed } from "../../api/changes";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import type { ElementBox, Tray } from "../../api/types";
import { choices, elementKindWord } from "../../api/words";
import { Button, Choice, Dialog, IconButton, notify, NumberInput, TextInput } from "../../ui";
import { FamilyRules } from "./FamilyRules";
import type { TrayHands } from "./useTray";

type Box = ElementBox["box"];
const firstBox: Box = { name: "", kind: "stone", lengthMm: 5, widthMm: 4, heightMm: 3, spread: 0.15, count: 10 };

/** What bases are made of: boxes of stones, slates and tufts by count, and the rules of the families. */
export function KitDialog({ tray, hands, onClose }: { tray?: Tray; hands?: TrayHands; onClose: () => void }) {
  const [view, setView] = useState<"boxes" | "families">("boxes");
  return (
    <Dialog open wide title="Boxes and families" onClose={onClose}>
      <div className="mb-3 flex gap-1" role="group" aria-label="What to change">
        <Button
          aria-pressed={view === "boxes"}
          look={view === "boxes" ? "main" : "plain"}
          onClick={() => setView("boxes")}
        >
          Boxes
        </Button>
        <Button
          aria-pressed={view === "families"}
          look={view === "families" ? "main" : "plain"}
          onClick={() => setView("families")}
        >
          Families
        </Button>
      </div>
      {view === "boxes" ? <Boxes /> : <FamilyRules tray={tray} hands={hands} />}
    </Dialog>
  );
}

function Boxes() {
  const boxes = useQuery(queries.elementBoxes());
  const [fresh, setFresh] = useState(firstBox);
  const [fault, setFault] = useState<string>();
  async function run(call: () => Promise<unknown>) {
    setFault(undefined);
    try {
      await call();
    } catch (error) {
      setFault(wording(error));
    }
    await changed("boxes");
  }
  const put = (row: ElementBox, part: Partial<Box>) =>
    run(() =>
      ask(
        api.PUT("/api/element-boxes/{id}", {
          params: { path: { id: row.id } },
          body: { version: row.version, box: { ...row.box, ...part } },
        }),
      ),
    );
  const remove = (row: ElementBox) =>
    run(async () => {
      await ask(
        api.DELETE("/api/element-boxes/{id}", { params: { path: { id: row.id }, query: { version: row.version } } }),
      );
      notify(
        `${row.box.name} is off the shelf.`,
        () => void run(() => ask(api.POST("/api/element-boxes/{id}/restore", { params: { path: { id: row.id } } }))),
      );
    });
  if (!boxes.data) return <p className="text-soft">Opening the boxes…</p>;
  return (
    <>
      {boxes.data.length === 0 && (
        <p className="mb-2 flex items-center gap-3 text-sm text-soft">
          No box yet. Most shelves have slate, cork, stones, tufts and scraps:
          <Button onClick={() => void run(() => ask(api.POST("/api/element-boxes/starters")))}>
            Put the usual boxes there
          </Button>
        </p>
      )}
      <table className="w-full text-sm">
        <thead>
          <tr className="text-left text-xs text-soft">
            <th className="pb-1 font-semibold">Box</th>
            <th className="pb-1 font-semibold">Kind</th>
            <th className="pb-1 font-semibold">Long</th>
            <th className="pb-1 font-semibold">Wide</th>
            <th className="pb-1 font-semibold">Tall, mm</th>
            <th className="pb-1 font-semibold">Count</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {boxes.data.map((row) => (
            <Line
              key={row.id}
              box={row.box}
              onChange={(part) => void put(row, part)}
              end={
                <IconButton label={`Take ${row.box.name} off the shelf`} onClick={() => void remove(row)}>
                  <Trash2 size={15} aria-hidden />
                </IconButton>
              }
            />
          ))}
          <Line
            box={fresh}
            live
            onChange={(part) => setFresh({ ...fresh, ...part })}
            end={
              <Button
                disabled={!fresh.name.trim()}
                onClick={() =>
                  void run(async () => {
                    await ask(api.POST("/api/element-boxes", { body: fresh }));
                    setFresh(firstBox);
                  })
                }
              >
                Add
              </Button>
            }
          />
        </tbody>
      </table>
      {fault && (
        <p role="alert" className="mt-2 text-sm font-semibold text-stop">
          {fault}
        </p>
      )}
    </>
  );
}

interface LineProps {
  box: Box;
  /** Each letter counts at once; else a name is kept when its field is left. */
  live?: boolean;
  onChange: (part: Partial<Box>) => void;
  end: React.ReactNode;
}

function Line({ box, live, onChange, end }: LineProps) {
  const [name, setName] = useState(box.name);
  const { BoxDraft: b } = bounds;
  const said = box.name || "new box";
  return (
    <tr>
      <td className="pr-1 pb-1">
        <TextInput
          aria-label={live ? "Name of the new box" : `Name of ${said}`}
          {...b.name}
          placeholder={live ? "Name of another box" : undefined}
          value={live ? box.name : name}
          onChange={(e) => (live ? onChange({ name: e.target.value }) : setName(e.target.value))}
          onBlur={() => !live && name.trim() && name !== box.name && onChange({ name: name.trim() })}
        />
      </td>
      <td className="w-28 pr-1 pb-1">
        <Choice
          label={`Kind of ${said}`}
          value={box.kind}
          options={choices(elementKindWord)}
          onChange={(kind) => onChange({ kind })}
        />
      </td>
      {(["lengthMm", "widthMm", "heightMm"] as const).map((key) => (
        <td key={key} className="w-18 pr-1 pb-1">
          <NumberInput
            label={`${{ lengthMm: "Length", widthMm: "Width", heightMm: "Height" }[key]} of ${said}`}
            value={box[key]}
            bound={b[key]}
            onChange={(v) => onChange({ [key]: v })}
          />
        </td>
      ))}
      <td className="w-18 pr-1 pb-1">
        <NumberInput
          label={`Count of ${said}`}
          value={box.count}
          bound={b.count}
          onChange={(v) => onChange({ count: Math.round(v) })}
        />
      </td>
      <td className="pb-1 text-right">{end}</td>
    </tr>
  );
}
