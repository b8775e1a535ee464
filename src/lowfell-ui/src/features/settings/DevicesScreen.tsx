import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, wording } from "../../api/client";
import { queries } from "../../api/queries";
import { temperature } from "../../api/units";
import { number } from "../../api/words";
import { Button, Failed } from "../../ui";

/** The room as it is planned with, and the devices of the bench. */
export function DevicesScreen() {
  const calendar = useQuery(queries.calendar());
  const [read, setRead] = useState<string>();
  if (calendar.isError) return <Failed why={wording(calendar.error)} onAgain={() => void calendar.refetch()} />;
  if (!calendar.data) return <p className="p-6 text-soft">Reading the room…</p>;
  const { room } = calendar.data;
  async function readRoom() {
    try {
      const reading = await ask(api.POST("/api/room/reading"));
      setRead(`It reads ${temperature(reading.temperatureC)} and ${number(reading.humidity * 100, 0)} % now.`);
    } catch (error) {
      setRead(wording(error));
    }
  }
  return (
    <div className="mx-auto flex w-full max-w-2xl flex-col gap-3 p-3 text-sm">
      <section aria-label="Room" className="rounded-lg border border-line bg-panel p-4">
        <h1 className="text-lg font-semibold">Room and devices</h1>
        <p className="mb-2">
          Paint dries by {temperature(room.temperatureC)}, {number(room.humidity * 100, 0)} % humidity
          {room.fan ? " and a fan" : ""}.{" "}
          <Link to="/evenings/calendar" className="underline">
            Set it under Calendar
          </Link>
        </p>
        <div className="flex flex-wrap items-center gap-3">
          <Button onClick={() => void readRoom()}>Read the room sensor</Button>
          <a className="underline" href="/api/room/readings.csv">
            its readings as CSV
          </a>
          <span role="status">{read}</span>
        </div>
      </section>
      <section aria-label="Devices" className="rounded-lg border border-line bg-panel p-4">
        <h2 className="mb-1 font-semibold">Devices</h2>
        <ul className="flex flex-col gap-1">
          <li>Room sensor: simulated; read every 15 minutes while Lowfell runs.</li>
          <li>Scale: simulated; weighs drops under Shelf, in a paint’s drop size.</li>
          <li>Colour reader: simulated; reads painted stripes under Shelf, in a paint’s colour.</li>
        </ul>
        <p className="mt-2 text-soft">The stand-ins ship with Lowfell; no device needs to be connected.</p>
      </section>
    </div>
  );
}
