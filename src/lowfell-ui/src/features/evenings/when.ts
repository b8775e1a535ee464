import { dateLanguage } from "../../api/units";

export { day, longDay } from "../../api/units";

/** Times as the painter's calendar has them. */
export const clock = (utc: string, timeZone: string): string =>
  new Intl.DateTimeFormat(dateLanguage(), { timeZone, hour: "2-digit", minute: "2-digit" }).format(new Date(utc));

/** When something is dry, told from the evening it was painted on: "23:10", or "Fri 09:00". */
export function dryAt(utc: string, evening: { closeUtc: string }, timeZone: string): string {
  const sameNight = new Date(utc).getTime() - new Date(evening.closeUtc).getTime() < 8 * 3_600_000;
  const weekday = new Intl.DateTimeFormat(dateLanguage(), { timeZone, weekday: "short" }).format(new Date(utc));
  return sameNight ? clock(utc, timeZone) : `${weekday} ${clock(utc, timeZone)}`;
}

export const minutesBetween = (from: string, to: string): number =>
  (new Date(to).getTime() - new Date(from).getTime()) / 60_000;

/** Minutes after midnight as "19:30", and back. */
export const hhmm = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;

export const fromHhmm = (text: string): number | undefined => {
  const match = /^(\d{1,2}):(\d{2})$/.exec(text.trim());
  if (!match) return undefined;
  const minutes = Number(match[1]) * 60 + Number(match[2]);
  return minutes <= 1440 ? minutes : undefined;
};

/** Today's calendar day in a zone of time, as yyyy-mm-dd. */
export const today = (timeZone: string): string =>
  new Intl.DateTimeFormat("sv-SE", { timeZone, year: "numeric", month: "2-digit", day: "2-digit" }).format(new Date());
