import { Button } from "./Button";

interface Props {
  /** What was said. */
  why: string;
  onAgain: () => void;
}

/** Something could not be had: why, and a way to try again. */
export function Failed({ why, onAgain }: Props) {
  return (
    <div role="alert" className="flex flex-col items-start gap-2 p-6">
      <p>{why}</p>
      <Button onClick={onAgain}>Try again</Button>
    </div>
  );
}
