// The room asked again once something of the artist's own was kept beside the studies.
import type { QueryClient } from "@tanstack/react-query";

const ROOM = { queryKey: ["sitting"] };

export async function askAgain(client: QueryClient): Promise<void> {
  // An answer that was on its way doesn't know of it yet.
  await client.cancelQueries(ROOM);
  await client.invalidateQueries(ROOM);
}
