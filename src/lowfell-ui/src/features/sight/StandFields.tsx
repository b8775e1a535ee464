import { bounds } from "../../api/bounds";
import type { PieceSight } from "../../api/types";
import { choices, eyesWord, sightRoomWord } from "../../api/words";
import { Choice, Field, NumberInput } from "../../ui";

interface Props {
  metres: number;
  room: PieceSight["room"];
  eyes: PieceSight["eyes"];
  onMetres: (metres: number) => void;
  onRoom: (room: PieceSight["room"]) => void;
  onEyes: (eyes: PieceSight["eyes"]) => void;
}

/** Where from, in which light, by which eyes. */
export function StandFields({ metres, room, eyes, onMetres, onRoom, onEyes }: Props) {
  return (
    <>
      <Field label="From" className="w-28">
        {(id) => (
          <NumberInput id={id} value={metres} bound={bounds.TableCheckDraft.distanceM} unit="m" onChange={onMetres} />
        )}
      </Field>
      <Field label="In the light of" className="w-44">
        {(id) => (
          <Choice id={id} label="In the light of" value={room} options={choices(sightRoomWord)} onChange={onRoom} />
        )}
      </Field>
      <Field label="By" className="w-40">
        {(id) => <Choice id={id} label="By" value={eyes} options={choices(eyesWord)} onChange={onEyes} />}
      </Field>
    </>
  );
}
