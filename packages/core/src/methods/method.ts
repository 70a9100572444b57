import type { HolePrior } from '../patch';
import type { RigId } from '../rig';
import type { SpeciesGroup } from '../fish';
import type { DaySteps, Surface } from '../outlook';
import type { IceFinding, IceLoad } from '../safety';
import type { UnitPreference } from '../units';

/** What effort is counted in: minutes of line in the water, or casts. */
export type EffortUnit = 'minutes' | 'casts';

/** A danger of the place and the way one fishes, said where the risk is taken. */
export interface Hazard {
  id: string;
  headline: string;
  text: string;
}

/** What one goes out in or stands on. */
export type Craft = 'bank' | 'pier' | 'wading' | 'kayak' | 'boat';

/** Which picture a station of it has: the water under it, a fan of casts about it, a section across the peg, or a lane over the map. */
export type StationPicture = 'column' | 'fan' | 'section' | 'lane';

export interface HazardSetting {
  ice: IceFinding;
  load: IceLoad;
  /** Ice that the model has grown since it was measured, m; null where it cannot say. */
  grownM: number | null;
  craft: Craft;
  units: UnitPreference;
}

/** What a tap of the thumb bar does. `log` is a reaction that is written at once. */
export type ThumbAction = 'looked' | 'refused' | 'cast' | 'felt' | 'fed' | 'swap' | 'strike' | 'turn' | 'depths' | 'bite' | 'fish' | 'more';

/** A line as it hangs: what was let out, and how far it leans from upright at the surface. */
export interface HangingLine {
  lineOutM: number;
  angleDeg: number;
}

/**
 * A way of fishing, all that the rest of the program asks of one. A new one is a file of its own that is handed to `addMethod`; nothing
 * else names it.
 */
export interface Method {
  /** Stands in the ledger. */
  id: string;
  /** What the third place in the bar is called: "Hole", "Cast". */
  place: string;
  /** What a place that is fished is called: "Hole", "Stand". */
  station: string;
  /** Kind of station it opens. */
  stationKind: string;
  /** How one fishes so, in a sentence: "by casting". */
  by: string;
  /** How it is offered: "From a boat or pier". */
  offer: string;
  /** What opens a station, and what says that it is open: "Drill here", "Hole is drilled". */
  open: string;
  opened: string;
  effort: EffortUnit;
  /** Where it is done. */
  surfaces: readonly Surface[];
  /** Whether it stands on ice, whose thickness is asked at each station. */
  isOnIce: boolean;
  /** How far from the water's edge it is done, m: 0 of what is done on the water alone. */
  bankM: number;
  /** What it can be done from; empty where there is no choice. */
  crafts: readonly Craft[];
  picture: StationPicture;
  /** The rig that is drawn first for a bait that hangs this deep, m. */
  firstRig: (depthM: number) => RigId;
  /** Whether a flasher stands by it: then the same reader and coach advise. */
  hasFlasher: boolean;
  /** The ends of its day. */
  steps: DaySteps;
  hazards: (setting: HazardSetting) => Hazard[];
  /** Depth of the lure on a line that hangs like this, m. */
  lureDepthM: (line: HangingLine) => number;
  /** What to expect of a station before it has been fished, and what a move costs. */
  clockPriors: Readonly<Record<SpeciesGroup, HolePrior>>;
  thumbBar: readonly ThumbAction[];
}
