import { today } from "../../api/units";
import { bounds } from "../../api/bounds";
import { changed } from "../../api/changes";
import { Plus, X } from "lucide-react";
import { useEffect, useState } from "react";
import { api, ask, wording } from "../../api/client";
import type { Calendar } from "../../api/types";
import { useDraft } from "../../craft/useDraft";
import { Button, Choice, Field, IconButton, NumberInput, TextInput, Toggle, percent } from "../../ui";
import { endAfter, fromHhmm, hhmm } from "./when";

type Weekday = Calendar["weekly"][number]["day"];
const days: Weekday[] = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];

/** The evenings of a week, days that are unlike it, and the air of the room. */
export function CalendarForm({ calendar, onKept }: { calendar: Calendar; onKept: () => void }) {
  const [draft, setDraft, forget] = useDraft(`calendar ${JSON.stringify(calendar)}`, calendar);
  const [fault, setFault] = useState<string>();
  const set = (part: Partial<Calendar>) => setDraft({ ...draft, ...part });
  const room = (part: Partial<Calendar["room"]>) => set({ room: { ...draft.room, ...part } });
  async function keep() {
    try {
      await ask(api.PUT("/api/calendar", { body: draft }));
      forget();
      await changed("calendar");
      onKept();
    } catch (error) {
      setFault(wording(error));
    }
  }
  async function readRoom() {
    try {
      const reading = await ask(api.POST("/api/room/reading"));
      room({ temperatureC: reading.temperatureC, humidity: Math.round(reading.humidity * 100) / 100 });
    } catch (error) {
      setFault(wording(error));
    }
  }
  return (
    <div className="grid gap-6 text-sm md:grid-cols-2">
      <div className="flex flex-col gap-2">
        <h2 className="font-semibold">Every week</h2>
        {draft.weekly.length === 0 && <p className="text-soft">No evening yet. Add the first.</p>}
        {draft.weekly.map((w, i) => (
          <div key={i} className="grid grid-cols-[minmax(0,1fr)_5rem_5rem_2rem] items-center gap-1">
            <Choice
              label={`Day of evening ${i + 1}`}
              value={w.day}
              options={days.map((d) => ({ value: d, label: d[0]!.toUpperCase() + d.slice(1) }))}
              onChange={(day) => set({ weekly: draft.weekly.map((o, at) => (at === i ? { ...o, day } : o)) })}
            />
            <TimeInput
              label={`Start of evening ${i + 1}`}
              value={w.startMin}
              onChange={(startMin) =>
                set({
                  weekly: draft.weekly.map((o, at) =>
                    at === i ? { ...o, startMin, endMin: endAfter(startMin, o.endMin) } : o,
                  ),
                })
              }
            />
            <TimeInput
              label={`End of evening ${i + 1}`}
              value={w.endMin}
              onChange={(end) =>
                set({
                  weekly: draft.weekly.map((o, at) => (at === i ? { ...o, endMin: endAfter(o.startMin, end) } : o)),
                })
              }
            />
            <IconButton
              label={`Take evening ${i + 1} out`}
              onClick={() => set({ weekly: draft.weekly.filter((_, at) => at !== i) })}
            >
              <X size={15} aria-hidden />
            </IconButton>
          </div>
        ))}
        <Button
          className="self-start"
          onClick={() => {
            const free = days.find((d) => !draft.weekly.some((w) => w.day === d)) ?? "monday";
            set({ weekly: [...draft.weekly, { day: free, startMin: 1170, endMin: 1320 }] });
          }}
        >
          <Plus size={15} aria-hidden /> Evening
        </Button>
        <h2 className="mt-2 font-semibold">Days off, and days at another time</h2>
        {draft.exceptions.map((e, i) => (
          <div key={i} className="grid grid-cols-[minmax(0,1fr)_auto_2rem] items-center gap-2">
            <TextInput
              type="date"
              aria-label={`Day ${i + 1} off or at another time`}
              value={e.date}
              onChange={(ev) =>
                set({ exceptions: draft.exceptions.map((o, at) => (at === i ? { ...o, date: ev.target.value } : o)) })
              }
            />
            {e.startMin == null ? (
              <Button
                look="quiet"
                onClick={() =>
                  set({
                    exceptions: draft.exceptions.map((o, at) =>
                      at === i ? { ...o, startMin: 1170, endMin: 1320 } : o,
                    ),
                  })
                }
              >
                no painting
              </Button>
            ) : (
              <span className="flex gap-1">
                <TimeInput
                  label={`Start of day ${i + 1}`}
                  value={e.startMin}
                  onChange={(startMin) =>
                    set({
                      exceptions: draft.exceptions.map((o, at) =>
                        at === i ? { ...o, startMin, endMin: endAfter(startMin, o.endMin ?? 1320) } : o,
                      ),
                    })
                  }
                />
                <TimeInput
                  label={`End of day ${i + 1}`}
                  value={e.endMin ?? 1320}
                  onChange={(end) =>
                    set({
                      exceptions: draft.exceptions.map((o, at) =>
                        at === i ? { ...o, endMin: endAfter(o.startMin ?? 0, end) } : o,
                      ),
                    })
                  }
                />
              </span>
            )}
            <IconButton
              label={`Take day ${i + 1} out`}
              onClick={() => set({ exceptions: draft.exceptions.filter((_, at) => at !== i) })}
            >
              <X size={15} aria-hidden />
            </IconButton>
          </div>
        ))}
        <Button className="self-start" onClick={() => set({ exceptions: [...draft.exceptions, { date: today() }] })}>
          <Plus size={15} aria-hidden /> Day
        </Button>
        <p className="text-xs text-soft">An evening that ends after midnight belongs to the day it began on.</p>
        <h2 className="mt-2 font-semibold">How it is planned</h2>
        <Field label="Planned ahead">
          {(id) => (
            <NumberInput
              id={id}
              className="w-32"
              value={draft.weeksAhead}
              bound={bounds.CalendarView.weeksAhead}
              unit="weeks"
              onChange={(weeksAhead) => set({ weeksAhead })}
            />
          )}
        </Field>
        <Field label="Longest go at one step" hint="then hands and eyes have a pause; empty for none">
          {(id) => (
            <NumberInput
              id={id}
              className="w-32"
              value={draft.sittingMin ?? null}
              bound={bounds.CalendarView.sittingMin}
              unit="min"
              onChange={(sittingMin) => set({ sittingMin })}
              onEmpty={() => set({ sittingMin: null })}
            />
          )}
        </Field>
        {draft.sittingMin != null && (
          <Field label="Pause after it">
            {(id) => (
              <NumberInput
                id={id}
                className="w-32"
                value={draft.pauseMin}
                bound={bounds.CalendarView.pauseMin}
                unit="min"
                onChange={(pauseMin) => set({ pauseMin })}
              />
            )}
          </Field>
        )}
      </div>
      <div className="flex flex-col gap-3">
        <h2 className="font-semibold">The room</h2>
        <Field label="Temperature">
          {(id) => (
            <NumberInput
              id={id}
              value={draft.room.temperatureC}
              bound={bounds.RoomView.temperatureC}
              unit="°C"
              onChange={(temperatureC) => room({ temperatureC })}
            />
          )}
        </Field>
        <Field label="Humidity">
          {(id) => (
            <NumberInput
              id={id}
              value={Math.round(draft.room.humidity * 1000) / 10}
              bound={percent(bounds.RoomView.humidity)}
              unit="%"
              onChange={(v) => room({ humidity: v / 100 })}
            />
          )}
        </Field>
        <div className="flex flex-wrap items-center gap-2">
          <Button onClick={() => void readRoom()}>Read the room sensor</Button>
          <a className="text-xs underline" href="/api/room/readings.csv">
            its readings
          </a>
          <span className="text-xs text-soft">a simulated sensor</span>
        </div>
        <Toggle label="A fan moves the air" checked={draft.room.fan} onChange={(fan) => room({ fan })} />
        <Toggle
          label="Cans may be sprayed"
          hint="the weather or the booth is fit: above about 10 °C, below about 70 % humidity"
          checked={draft.room.cansFit}
          onChange={(cansFit) => room({ cansFit })}
        />
        <Field label="Time zone" hint="such as Europe/London">
          {(id) => <TextInput id={id} value={draft.timeZone} onChange={(e) => set({ timeZone: e.target.value })} />}
        </Field>
        {!isHere(draft.timeZone) && (
          <Button className="self-start" onClick={() => set({ timeZone: here })}>
            Take this browser’s: {here}
          </Button>
        )}
        {fault && (
          <p role="alert" className="font-semibold text-stop">
            {fault}
          </p>
        )}
        <div className="flex gap-2">
          <Button look="main" onClick={() => void keep()}>
            Keep
          </Button>
          {JSON.stringify(draft) !== JSON.stringify(calendar) && (
            <Button
              onClick={() => {
                setDraft(calendar);
                forget();
              }}
            >
              As it was kept
            </Button>
          )}
        </div>
      </div>
    </div>
  );
}

/** Where this browser is. */
const here = new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Whether a zone is that of this browser, by whatever of its names. */
function isHere(timeZone: string): boolean {
  try {
    return new Intl.DateTimeFormat(undefined, { timeZone }).resolvedOptions().timeZone === here;
  } catch {
    // No zone that this browser knows: the host says what is wrong with it.
    return false;
  }
}

const sameTime = (a: number | undefined, b: number) => a !== undefined && a % 1440 === b % 1440;

function TimeInput({ label, value, onChange }: { label: string; value: number; onChange: (minutes: number) => void }) {
  const [text, setText] = useState(hhmm(value));

  // The row may have become that of another evening, one above it being taken out.
  useEffect(() => setText((typed) => (sameTime(fromHhmm(typed), value) ? typed : hhmm(value))), [value]);
  return (
    <TextInput
      aria-label={label}
      aria-invalid={fromHhmm(text) === undefined}
      value={text}
      onChange={(e) => {
        setText(e.target.value);
        const minutes = fromHhmm(e.target.value);
        if (minutes !== undefined) onChange(minutes);
      }}
    />
  );
}
