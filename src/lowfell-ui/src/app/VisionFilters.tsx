import { craft } from "../api/words";

/** Colours as other eyes see them, for whatever stands on the ground of swatches (styles.css names the filters). */
export const VisionFilters = () => (
  <svg aria-hidden width="0" height="0" className="absolute">
    {craft().visions.map(({ vision, matrix: m }) => (
      <filter key={vision} id={`vision-${vision}`} colorInterpolationFilters="linearRGB">
        <feColorMatrix
          type="matrix"
          values={[0, 3, 6].map((r) => `${m[r]} ${m[r + 1]} ${m[r + 2]} 0 0`).join(" ") + " 0 0 0 1 0"}
        />
      </filter>
    ))}
  </svg>
);
