import { useSyncExternalStore } from "react";

/** How figures are written on this screen; what is kept is always in mm, ml and C. */
export interface Units {
  length: "mm" | "in";
  volume: "ml" | "floz";
  temperature: "c" | "f";
  /** A language such as en-GB that dates and figures are written in; the browser's own where none is set. */
  dates: string | null;
  /** Money as ISO 4217 names it; figures alone where none is chosen. */
  money: string | null;
}

const key = "lowfell.units";
const usual: Units = { length: "mm", volume: "ml", temperature: "c", dates: null, money: null };
const mmPerInch = 25.4;
/** US fluid ounce (NIST Handbook 44, appendix C). */
const mlPerOunce = 29.5735;

let chosen: Units = read();
const listeners = new Set<() => void>();

function read(): Units {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(key) ?? "{}") as Partial<Units>) };
  } catch {
    return usual;
  }
}

export const units = (): Units => chosen;

export function setUnits(part: Partial<Units>) {
  chosen = { ...chosen, ...part };
  localStorage.setItem(key, JSON.stringify(chosen));
  for (const listener of listeners) listener();
}

/** The units, followed. */
export const useUnits = (): Units =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => chosen,
  );

/** How a figure of a unit is shown and typed: its word, how many decimals it needs, and there and back. */
export interface Shown {
  unit: string;
  digits?: number;
  show: (value: number) => number;
  take: (shown: number) => number;
}

const same = (unit: string): Shown => ({ unit, show: (v) => v, take: (v) => v });
const factor = (unit: string, per: number, digits: number): Shown => ({
  unit,
  digits,
  show: (v) => v / per,
  take: (v) => v * per,
});

/** A unit of the API as this screen writes it. */
export function shown(unit: string | undefined): Shown {
  if (unit === "mm" && chosen.length === "in") return factor("in", mmPerInch, 3);
  if (unit === "mm²" && chosen.length === "in") return factor("in²", mmPerInch * mmPerInch, 3);
  if (unit === "ml" && chosen.volume === "floz") return factor("fl oz", mlPerOunce, 3);
  if (unit === "°C" && chosen.temperature === "f")
    return { unit: "°F", digits: 1, show: (c) => (c * 9) / 5 + 32, take: (f) => ((f - 32) * 5) / 9 };
  return same(unit ?? "");
}

let sign: { of: string | undefined; is: string } | undefined;

/** The sign between whole and part, as the chosen language, or the browser's, writes it. */
function decimalSign(): string {
  const of = dateLanguage();
  if (sign === undefined || sign.of !== of)
    sign = { of, is: new Intl.NumberFormat(of).formatToParts(1.5).find((p) => p.type === "decimal")?.value ?? "." };
  return sign.is;
}

/** A figure that was written with a point, as the painter's language writes it. */
export const inWords = (figure: string): string => figure.replace(".", decimalSign());

const text = (value: number, digits: number) => inWords(plain(value, digits));

const plain = (value: number, digits: number) =>
  value
    .toFixed(digits)
    .replace(/(\.\d*?)0+$/, "$1")
    .replace(/\.$/, "");

/** Millimetres. */
export const length = (mm: number): string =>
  chosen.length === "in" ? `${text(mm / mmPerInch, 2)} in` : `${text(mm, 1)} mm`;

/** Millimetres of what is laid or drawn thin, finer. */
export const thin = (mm: number): string =>
  chosen.length === "in" ? `${text(mm / mmPerInch, 3)} in` : `${text(mm, 2)} mm`;

/** Square millimetres as painters read them. */
export const area = (mm2: number): string =>
  chosen.length === "in"
    ? `${text(mm2 / mmPerInch ** 2, mm2 < 10_000 ? 1 : 0)} in²`
    : `${text(mm2 / 100, mm2 < 1000 ? 1 : 0)} cm²`;

/** Millilitres as painters read them. */
export function millilitres(ml: number, digits = 1): string {
  if (chosen.volume === "floz") return ml > 0 && ml < 0.15 ? "under 0.005 fl oz" : `${text(ml / mlPerOunce, 2)} fl oz`;
  return ml > 0 && ml < 0.05 ? "under 0.1 ml" : `${text(ml, digits)} ml`;
}

/** What something costs, in the painter's own money. */
export const money = (amount: number): string =>
  new Intl.NumberFormat(
    dateLanguage(),
    chosen.money
      ? { style: "currency", currency: chosen.money }
      : { minimumFractionDigits: 2, maximumFractionDigits: 2 },
  ).format(amount);

/** Degrees. */
export const temperature = (c: number): string =>
  chosen.temperature === "f" ? `${text((c * 9) / 5 + 32, 0)} °F` : `${text(c, 1)} °C`;

/** The language that dates are written in. */
export const dateLanguage = (): string | undefined => chosen.dates ?? undefined;

/** A moment as the painter's browser, or the setting, writes it. */
export const date = (at: string, how: Intl.DateTimeFormatOptions): string =>
  new Intl.DateTimeFormat(dateLanguage(), how).format(new Date(at));

export const dateAndTime = (at: string): string => date(at, { dateStyle: "medium", timeStyle: "short" });

const noon = (day: string) => `${day}T12:00:00Z`;

/** "Thu 26 Nov" of a calendar day. */
export const day = (of: string): string =>
  date(noon(of), { timeZone: "UTC", weekday: "short", day: "numeric", month: "short" });

/** "Sunday 10 January" of a calendar day. */
export const longDay = (of: string): string =>
  date(noon(of), { timeZone: "UTC", weekday: "long", day: "numeric", month: "long" });

/** The day it is where the painter is, as the host writes days. */
export const today = () => new Date(Date.now() - new Date().getTimezoneOffset() * 60_000).toISOString().slice(0, 10);

/**
 * The moment as the painter's clock shows it: the host tells its offset, so that a browser with an older table of time zones shows the same.
 * What is formatted as UTC are the figures of that clock.
 */
export const onTheWall = (at: string): Date => new Date(`${at.slice(0, 19)}Z`);

/** Times as the painter's calendar has them. */
export const clock = (at: string): string =>
  new Intl.DateTimeFormat(dateLanguage(), { timeZone: "UTC", hour: "2-digit", minute: "2-digit" }).format(
    onTheWall(at),
  );
