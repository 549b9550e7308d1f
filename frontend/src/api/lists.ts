// Lists of what to lay out.
import { api } from "./client";

const { client, told } = api;

/** Keeps what a list holds; nothing gives an own one up. */
export const keepList = (name: string, items: { what: string; stage: string }[]) =>
  told(
    client.PUT("/api/v1/materials/{name}", {
      params: { path: { name } },
      body: { items: items as { what: string }[] },
    }),
  ) as Promise<unknown>;
