import { Link } from "react-router";

export function Trouble() {
  return (
    <main className="mx-auto max-w-lg p-10">
      <h1 className="mb-2 text-xl font-semibold">There is nothing here</h1>
      <p className="mb-4 text-soft">The address leads to no screen, or the screen has failed.</p>
      <Link to="/sets" className="font-semibold text-accent underline">
        Go to your sets
      </Link>
    </main>
  );
}
