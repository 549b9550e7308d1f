// What the artist's record says of the kind of reading at hand, where the eye speaks first.
import { useQuery } from "@tanstack/react-query";
import { queries } from "../../api/queries";
import type { Bench, OwnEye } from "../../api/types";
import { useArtist } from "../../shared/useArtist";

export type EyeOfKind = OwnEye["kinds"][number];

export function useOwnEye(bench: Bench, kind: string): EyeOfKind | undefined {
  const matters = bench.eye_first || bench.method === "by_eye";
  const own = useQuery({ ...queries.ownEye(useArtist()), enabled: matters });
  return matters ? own.data?.kinds.find((each) => each.kind === kind) : undefined;
}
