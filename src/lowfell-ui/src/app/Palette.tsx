import { useQuery } from "@tanstack/react-query";
import { Command } from "cmdk";
import { Dialog as Radix } from "radix-ui";
import { useDeferredValue, useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { wording } from "../api/client";
import { queries } from "../api/queries";
import type { Found, FoundEntry } from "../api/types";
import { dateAndTime } from "../api/units";
import { switchTheme } from "../craft/theme";
import { Chip } from "../ui";
import { openerNow } from "../ui/opener";
import { allPlaces, homeOf } from "./screens";

const kindWord: Record<Found["kind"], string> = {
  set: "Set",
  piece: "Piece",
  zone: "Zone",
  coat: "Coat",
  paint: "Paint",
  mix: "Mix",
  tile: "Tile",
};

/** Where something that was found is. */
export function addressOf(f: Found): string {
  switch (f.kind) {
    case "set":
      return `/sets/${f.id}`;
    case "piece":
      return `/piece/${f.id}`;
    case "zone":
      return `/piece/${f.pieceId}/coats/${f.id}`;
    case "coat":
      return `/piece/${f.pieceId}/coats/${f.zoneId}?coat=${f.id}`;
    case "paint":
      return `/shelf?paint=${f.id}`;
    case "mix":
      return `/shelf/mixes?mix=${f.id}`;
    case "tile":
      return `/shelf/tiles?tile=${f.id}`;
  }
}

interface Act {
  label: string;
  help: string;
  run: () => void;
}

const item = "flex min-h-9 items-center gap-3 rounded px-2 py-1 text-sm data-[selected=true]:bg-tint cursor-pointer";
const heading =
  "[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:font-semibold [&_[cmdk-group-heading]]:text-soft";
const longest = 500;

/** One search over everything that has a name, the log, and what can be done. */
export default function Palette({ onClose, onKeys }: { onClose: () => void; onKeys: () => void }) {
  const [text, setText] = useState("");
  const [goBack] = useState(openerNow);
  const navigate = useNavigate();
  const asked = useDeferredValue(text.trim());
  const answer = useQuery(queries.search(asked));
  const go = (to: string) => {
    onClose();
    void navigate(to);
  };
  const acts: Act[] = [
    ...allPlaces.flatMap((p) =>
      p.views.map((v) => ({
        label: v.path === homeOf(p) && p.views.length === 1 ? p.label : `${p.label}: ${v.label}`,
        help: v.help,
        run: () => go(v.path),
      })),
    ),
    { label: "New set", help: "Begin another set", run: () => go("/sets?new=set") },
    { label: "Day or lamp light", help: "Light or dim", run: () => (switchTheme(), onClose()) },
    { label: "Keys", help: "Every key there is", run: () => (onClose(), onKeys()) },
  ];
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
  const isCalled = (a: Act) => words.every((w) => a.label.toLowerCase().includes(w));
  const does = acts
    .filter((a) => words.every((w) => `${a.label} ${a.help}`.toLowerCase().includes(w)))
    .sort((a, b) => Number(isCalled(b)) - Number(isCalled(a)));
  const names = (asked && answer.data?.names) || [];
  const entries = (asked && answer.data?.entries) || [];
  // What stands first is what Enter takes, also once the answer is there.
  const likeOnly = names.every((n) => n.near);
  const [firstName, firstAct] = [names[0] && keyOf(names[0]), does[0]?.label];
  const first = (likeOnly ? (firstAct ?? firstName) : (firstName ?? firstAct)) ?? entries[0]?.id ?? "";
  const [at, setAt] = useState(first);
  useEffect(() => setAt(first), [first, asked]);
  const acting = does.length > 0 && (
    <Command.Group heading="Go to, or do" className={heading}>
      {does.map((a) => (
        <Command.Item key={a.label} value={a.label} onSelect={a.run} className={item}>
          <span className="min-w-0 truncate">
            {a.label} <span className="text-soft">{a.help}</span>
          </span>
        </Command.Item>
      ))}
    </Command.Group>
  );
  return (
    <Radix.Root open onOpenChange={(open) => !open && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[rgb(0_0_0/0.45)]" />
        <Radix.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            goBack();
          }}
          className="fixed top-[8vh] left-1/2 z-50 w-[calc(100vw-1.5rem)] max-w-2xl -translate-x-1/2 overflow-hidden rounded-lg border border-strong bg-panel shadow-xl"
        >
          <Radix.Title className="sr-only">Find</Radix.Title>
          <Command shouldFilter={false} label="Find" loop value={at} onValueChange={setAt}>
            <Command.Input
              autoFocus
              value={text}
              maxLength={longest}
              onValueChange={setText}
              placeholder="A piece, paint, coat, entry, or something to do"
              className="h-12 w-full border-b border-line bg-raised px-4 focus-visible:outline-offset-[-3px]"
            />
            <Command.List className="max-h-[min(30rem,70vh)] overflow-y-auto p-1.5" data-testid="found">
              {answer.isError && (
                <p role="alert" className="p-2 text-sm text-stop">
                  {wording(answer.error)}
                </p>
              )}
              {asked && names.length + entries.length + does.length === 0 && (
                <Command.Empty className="p-3 text-sm text-soft">
                  {answer.isFetching ? "Looking…" : `Nothing here is called “${asked.slice(0, 60)}”.`}
                </Command.Empty>
              )}
              {likeOnly && acting}
              {names.length > 0 && (
                <Command.Group heading={likeOnly ? "Like that" : "By name"} className={heading}>
                  {names.map((n) => (
                    <Command.Item key={keyOf(n)} value={keyOf(n)} onSelect={() => go(addressOf(n))} className={item}>
                      <span className="w-11 shrink-0 text-xs text-soft">{kindWord[n.kind]}</span>
                      {n.colour && <Chip colour={n.colour} className="h-4 w-7 shrink-0" />}
                      <span className="min-w-0 truncate">
                        {n.name} <span className="text-soft">{n.within}</span>
                      </span>
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
              {!likeOnly && acting}
              {entries.length > 0 && (
                <Command.Group heading="In the log" className={heading}>
                  {entries.map((e) => (
                    <Command.Item key={e.id} value={e.id} onSelect={() => go(logAddress(asked, e))} className={item}>
                      <span className="shrink-0 text-xs text-soft">{dateAndTime(e.at)}</span>
                      <span className="min-w-0 truncate">
                        {e.label} {e.copy}{" "}
                        <span className="text-soft">{[e.paint, e.note].filter(Boolean).join(", ")}</span>
                      </span>
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
            </Command.List>
          </Command>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

const keyOf = (n: Found) => `${n.kind} ${n.id} ${n.zoneId}`;

const logAddress = (asked: string, e: FoundEntry) => `/bench/log?find=${encodeURIComponent(asked)}&entry=${e.id}`;
