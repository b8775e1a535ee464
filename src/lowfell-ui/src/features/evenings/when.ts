import { clock, dateLanguage, onTheWall } from "../../api/units";

export { clock, day, longDay } from "../../api/units";

/** When something is dry, told from the evening it was painted on: "23:10", or "Fri 09:00". */
export function dryAt(at: string, evening: { closeAt: string }): string {
  const sameNight = new Date(at).getTime() - new Date(evening.closeAt).getTime() < 8 * 3_600_000;
  const weekday = new Intl.DateTimeFormat(dateLanguage(), { timeZone: "UTC", weekday: "short" }).format(onTheWall(at));
  return sameNight ? clock(at) : `${weekday} ${clock(at)}`;
}

export const minutesBetween = (from: string, to: string): number =>
  (new Date(to).getTime() - new Date(from).getTime()) / 60_000;

const dayMin = 1440;

/** Minutes after midnight as "19:30", those of the next day too; and back. */
export const hhmm = (minutes: number): string =>
  `${String(Math.floor((minutes % dayMin) / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;

export const fromHhmm = (text: string): number | undefined => {
  const match = /^(\d{1,2}):(\d{2})$/.exec(text.trim());
  if (!match || Number(match[2]) >= 60) return undefined;
  const minutes = Number(match[1]) * 60 + Number(match[2]);
  return minutes <= dayMin ? minutes : undefined;
};

/** Where an evening ends that begins at a time: before it is after midnight. */
export const endAfter = (start: number, end: number): number =>
  end > 0 && end % dayMin <= start ? (end % dayMin) + dayMin : end % dayMin;
