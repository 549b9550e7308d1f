// Names for the generated types that the features use.
import type { components } from "../../generated/schema";

type Schemas = components["schemas"];

export type PictureSubject = Required<Schemas["FilePictureSubject"]>;
export type Station = Required<Schemas["FileStation"]>;
export type BenchSubject = Omit<Required<Schemas["BenchSubject"]>, "picture"> & {
  picture: PictureSubject | null;
};
export type Bench = Omit<Schemas["Bench"], "subject"> & { subject: BenchSubject };
export type BenchLandmark = Schemas["BenchLandmark"];
export type BenchReading = Schemas["BenchReading"];
export type BenchDoubt = Schemas["BenchDoubt"];
export type BenchShape = Schemas["BenchShape"];
export type BenchSheet = Schemas["BenchSheet"];
export type Prompt = Schemas["Prompt"];
export type Prompts = Schemas["Prompts"];
export type Relation = Schemas["RelationPrompt"];
export type Relations = Schemas["RelationPrompts"];
export type TrustReport = Schemas["TrustReport"];
export type Wall = Schemas["Wall"];
export type StudyCard = Schemas["StudyCard"];
export type BrokenCard = Schemas["BrokenCard"];
export type DownCard = Schemas["DownCard"];
export type StudyFile = Schemas["StudyFile"];
export type Change = Schemas["ChangeRequest"]["change"];
export type Sighting = Schemas["TakeSighting"]["sighting"];
export type SceneCard = Schemas["SceneCard"];
export type SceneList = Schemas["SceneList"];
export type StationRoom = Omit<Schemas["StationRoom"], "station"> & { station: Station };
export type Reckoned = Schemas["Reckoned"];
export type LiveReckoning = Schemas["LiveReckoning"];
export type SheetRoom = Schemas["SheetRoom"];
export type RoomFrame = Schemas["RoomFrame"];
export type RecipeRoom = Schemas["RecipeRoom"];
export type Plumbs = Schemas["Plumbs"];
export type Placing = Schemas["Placing"];
export type Strokes = Schemas["Strokes"];
export type StickPose = Schemas["StickPose"];
export type StickReading = Schemas["StickReading"];
export type Reveal = Schemas["Reveal"];
export type PictureTaken = Schemas["PictureTaken"];
export type SimulatedSubject = Schemas["FileSimulatedSubject"];
export type Problem = Schemas["Problem"];
export type PadKinds = Schemas["PadKinds"];
export type PadKind = Schemas["PadKind"];
export type Ambiguous = Schemas["AmbiguousPlace"];
