import { Link } from "react-router";
import { Problem, wording } from "../api/client";

interface Props {
  /** What it is: "piece". */
  what: string;
  error: unknown;
}

/** Whether something is not there: deleted, or never of this bench. */
export const isGone = (error: unknown): boolean => error instanceof Problem && error.code === "gone";

/** An address of something that is not there, or can't be opened: said with the next move. */
export function Gone({ what, error }: Props) {
  const gone = isGone(error);
  return (
    <div className="mx-auto max-w-md p-10 text-center">
      <h1 className="mb-2 text-xl font-semibold">{gone ? `This ${what} is gone` : `The ${what} can't be opened`}</h1>
      <p className="mb-4 text-soft">
        {gone ? (
          <>
            It was deleted, or belongs to another bench. What was deleted in the last 30 days waits in the{" "}
            <Link to="/settings/bin" className="underline">
              bin
            </Link>
            .
          </>
        ) : (
          wording(error)
        )}
      </p>
      <Link to="/sets" className="font-semibold text-accent underline">
        Go to your sets
      </Link>
    </div>
  );
}
