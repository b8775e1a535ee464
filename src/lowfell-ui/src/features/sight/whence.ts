import { number } from "../../api/words";

/** Where a detail has to be seen from: by the schools that may be nearer than the table. */
export const whence = ({ metres, wantedM }: { metres: number; wantedM: number }) =>
  wantedM < metres ? `from ${number(wantedM, 1)} m, which is enough by your schools` : "from there";
