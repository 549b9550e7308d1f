// Names for the generated types that the features use.
import type { components } from "../../generated/schema";

type Schemas = components["schemas"];

export type Bench = Schemas["Bench"];
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
export type StudyFile = Schemas["StudyFile"];
export type Change = Schemas["ChangeRequest"]["change"];
export type Sighting = Schemas["TakeSighting"]["sighting"];
export type Problem = Schemas["Problem"];
