import { Link } from "react-router";

interface Props {
  what: string;
  why?: string;
}

/** An address of something that is not there, or can't be opened: said with the next move. */
export function Gone({ what, why }: Props) {
  return (
    <div className="mx-auto max-w-md p-10 text-center">
      <h1 className="mb-2 text-xl font-semibold">{what}</h1>
      <p className="mb-4 text-soft">
        {why ?? (
          <>
            It was deleted, or belongs to another bench. What was deleted in the last 30 days waits in the{" "}
            <Link to="/settings/bin" className="underline">
              bin
            </Link>
            .
          </>
        )}
      </p>
      <Link to="/sets" className="font-semibold text-accent underline">
        Go to your sets
      </Link>
    </div>
  );
}
