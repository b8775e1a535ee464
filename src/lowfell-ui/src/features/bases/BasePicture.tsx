import type { TrayBase } from "../../api/types";

const pxOf = (mm: number, css: number) => {
  const ratio = typeof devicePixelRatio === "number" ? Math.min(2, devicePixelRatio) : 1;
  return Math.max(2, Math.min(24, Math.round(((css * ratio) / mm) * 4) / 4));
};

interface Props {
  trayId: string;
  base: TrayBase;
  /** Width on the screen, px. */
  width: number;
  /** It fills its place, whose width is at most that. */
  fills?: boolean;
}

/** A base as it will look from above. Its address names the mark of its layout: the browser keeps what it has seen. */
export function BasePicture({ trayId, base, width, fills }: Props) {
  const { lengthMm, widthMm } = base.kept.form;
  return (
    <img
      src={`/api/trays/${trayId}/copies/${base.copy}.png?px=${pxOf(lengthMm, width)}&mark=${base.picture}`}
      width={width}
      height={Math.round((width * widthMm) / lengthMm)}
      alt=""
      draggable={false}
      loading="lazy"
      decoding="async"
      className={`block max-w-none select-none ${fills ? "size-full" : ""}`}
    />
  );
}
