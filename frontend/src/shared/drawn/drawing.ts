// What one small drawing is: its words for who can't see it, and its parts.
import type { ReactNode } from "react";

export type Drawing = { said: string; drawn: ReactNode };
