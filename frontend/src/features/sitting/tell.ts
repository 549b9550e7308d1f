// A change told to the server; whether it was taken, so that a form stays open where it was not.
import type { Change } from "../../api/types";

export type Tell = (change: Change) => Promise<boolean>;
