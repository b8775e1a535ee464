import { bounds } from "../../api/bounds";
import { useState } from "react";
import { Button, TextInput } from "../../ui";

/** "I know": the finding rests, with the reason, until the coats it is about change. */
export function Know({ onKnow }: { onKnow: (reason: string) => void }) {
  const [reason, setReason] = useState<string | null>(null);
  if (reason === null)
    return (
      <Button look="quiet" className="self-start" onClick={() => setReason("")}>
        I know…
      </Button>
    );
  return (
    <form
      className="flex gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim() !== "") onKnow(reason.trim());
      }}
    >
      <TextInput
        autoFocus
        aria-label="Why it is meant so"
        placeholder="Why it is meant so"
        {...bounds.KnownFinding.reason}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      <Button type="submit" disabled={reason.trim() === ""}>
        Set it aside
      </Button>
    </form>
  );
}
