const zoneKey = "lowfell.lastZone";
const pieceKey = "lowfell.lastPiece";

/** The zone whose coats were open last; its piece opens there again. */
export const lastZone = () => localStorage.getItem(zoneKey);

export const rememberZone = (id: string) => localStorage.setItem(zoneKey, id);

/** The piece that was open last; it stays at hand. */
export const lastPiece = () => localStorage.getItem(pieceKey);

export const rememberPiece = (id: string) => localStorage.setItem(pieceKey, id);

export function forgetPiece(id: string) {
  if (lastPiece() === id) localStorage.removeItem(pieceKey);
}
