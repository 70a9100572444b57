import type { SpeciesGroup } from '../fish';

export type SeasonStage = 'autumn cooling' | 'open cold water' | 'first ice' | 'midwinter' | 'late ice' | 'just after ice-out' | 'pre-spawn';

/**
 * Where in the column a group is looked for: a stretch above the lowest depth it can use, or a stretch of depth. `atFoot`: where the water has a drop with deep
 * water in front, about the depth of its foot instead.
 */
export type StagePlace = ({ aboveM: readonly [number, number] } | { depthM: readonly [number, number] }) & { atFoot?: true };

/** Where a group goes at a stage of the season. Source: fieldcraft §1. */
export interface StageRule {
  id: string;
  stage: SeasonStage;
  group: SpeciesGroup;
  place: StagePlace;
  where: string;
  reason: string;
  strength: number;
}

const rule = (stage: SeasonStage, group: SpeciesGroup, place: StagePlace, where: string, reason: string, strength = 0.6): StageRule => ({
  id: `stage.${stage.replaceAll(' ', '-')}.${group}`,
  stage,
  group,
  place,
  where,
  reason,
  strength,
});

/** First row of a stage and group wins; every pair has one. */
export const stageRules: readonly StageRule[] = [
  rule('autumn cooling', 'panfish', { aboveM: [0.5, 4] }, 'on the way to the basin, off the first break', 'As the column mixes they gather toward winter quarters.'),
  rule('autumn cooling', 'bass', { depthM: [2, 6] }, 'on points and breaks beside the basin', 'They drop with the water and stage on the breaks.'),
  rule('autumn cooling', 'pike-walleye', { depthM: [2, 7] }, 'along the last green weed', 'Bait leaves the shallows and they wait at its edge.'),
  rule('autumn cooling', 'deep', { depthM: [3, 12] }, 'from the deep up onto gravel and points', 'Cooled water lets them come up to feed and spawn.'),
  rule('autumn cooling', 'stocked-trout', { depthM: [1, 4] }, 'in coves and off small points, near the bank', 'First up in the column, then in to the bank; the bait leads.'),
  rule('autumn cooling', 'roach-like', { aboveM: [0, 1] }, 'at the deeper half of the swim', 'Shoals draw together and leave the margins.'),
  rule(
    'open cold water',
    'panfish',
    { aboveM: [1, 5] },
    'stacked off the bottom over the wintering basin',
    'Below 10 °C schools hang well off the bottom in the deepest third.',
    0.7,
  ),
  rule('open cold water', 'bass', { aboveM: [0.5, 5] }, 'on bluff walls and channel banks', 'They winter where deep water comes close to the bank.', 0.7),
  rule('open cold water', 'pike-walleye', { aboveM: [0, 3] }, 'on channel banks beside the basin', 'They stay by the bait, and the bait winters deep.'),
  rule('open cold water', 'deep', { aboveM: [0, 6] }, 'from the base of the drop outward', 'The whole column suits them now; food decides.'),
  rule('open cold water', 'stocked-trout', { depthM: [1, 6] }, 'along the bank that the sun warms', 'They roam and follow the warmest hours.'),
  rule('open cold water', 'roach-like', { aboveM: [0, 0.6] }, 'in the deepest quiet water', 'They lie close to the bottom and feed in spells.'),
  rule('first ice', 'panfish', { depthM: [2, 6] }, 'at weed edges, inside turns and first breaks', 'Under young ice they are still near their late-autumn places.', 0.7),
  rule('first ice', 'bass', { depthM: [2, 6] }, 'at the deepest weed and inside turns', 'Under young ice they are still near their late-autumn places.'),
  rule('first ice', 'pike-walleye', { depthM: [1.5, 6] }, 'along weed edges and the first break', 'The shallow bite of the winter, at dawn and dusk.', 0.7),
  rule('first ice', 'deep', { depthM: [4, 15], atFoot: true }, 'on the first drop and off points', 'Cold water all the way up lets them hunt shallow.'),
  rule('first ice', 'stocked-trout', { depthM: [0.5, 4] }, 'just under the ice near the bank', 'Light and oxygen are best under the ice.'),
  rule('first ice', 'roach-like', { aboveM: [0, 1] }, 'at the edge of the weed that still stands', 'They leave the weed last.'),
  rule('midwinter', 'panfish', { aboveM: [0.3, 3] }, 'in basins beside a steep break', 'The deepest water is the warmest under thick ice; small basins come alive in turn.', 0.7),
  rule('midwinter', 'bass', { aboveM: [0.2, 2] }, 'at the base of the break', 'They move little and hold where deep water is a step away.'),
  rule('midwinter', 'pike-walleye', { aboveM: [0.1, 1.5] }, 'at the base of the drop', 'Walleye lie on the edge of the basin and come up to it at dusk.'),
  rule('midwinter', 'deep', { aboveM: [0, 4], atFoot: true }, 'at the base of the first drop, deep water in front', 'They hunt along the shelf above the deepest water.', 0.7),
  rule('midwinter', 'stocked-trout', { depthM: [1, 5] }, 'high in the column, near inflows', 'They keep to the oxygen and the light.'),
  rule('midwinter', 'roach-like', { aboveM: [0, 0.5] }, 'in the deepest quiet water', 'They lie tight and feed in the mildest hours.'),
  rule(
    'late ice',
    'panfish',
    { depthM: [2, 7] },
    'up from the basin: channel edges, brush and timber on the drop',
    'Longer days and melt water bring them up, often to their late-autumn places.',
    0.7,
  ),
  rule('late ice', 'bass', { depthM: [2, 7] }, 'at channel edges and wood on the drop', 'Melt water and oxygen draw them up.'),
  rule('late ice', 'pike-walleye', { depthM: [1, 5] }, 'toward the mouths of feeder creeks', 'They gather where they will spawn. Creek mouths thin the ice first.', 0.7),
  rule('late ice', 'deep', { aboveM: [0, 5], atFoot: true }, 'off points and the base of the drop', 'Light comes back and with it the bait.'),
  rule('late ice', 'stocked-trout', { depthM: [0.5, 4] }, 'high, near running water', 'Fresh water brings oxygen and food. Ice is thin there.'),
  rule('late ice', 'roach-like', { depthM: [1, 5] }, 'near inflows that run clear', 'They move to fresh water.'),
  rule('just after ice-out', 'panfish', { aboveM: [0.5, 4] }, 'at the wintering holes still', 'They leave for shallow cover only from about 10 °C.', 0.7),
  rule('just after ice-out', 'bass', { aboveM: [0.5, 5] }, 'on bluffs and channel banks beside spawning coves', 'They wait deep for the water to gain degrees.'),
  rule('just after ice-out', 'pike-walleye', { depthM: [0.5, 4] }, 'in the first bays to warm', 'Pike spawn as the ice goes, walleye soon after.'),
  rule('just after ice-out', 'deep', { depthM: [1, 15] }, 'anywhere, often close under the surface', 'The column is one cold water from top to bottom.'),
  rule('just after ice-out', 'stocked-trout', { depthM: [0.5, 4] }, 'along warming banks', 'They feed hard on what the thaw brings.'),
  rule('just after ice-out', 'roach-like', { aboveM: [0, 1] }, 'at the wintering swim and the first warm shallows', 'They follow each mild day.'),
  rule('pre-spawn', 'panfish', { depthM: [1, 5] }, 'on the way up: brush on the drop, secondary points', 'Rising water stages them next to their shallows.', 0.7),
  rule('pre-spawn', 'bass', { depthM: [1.5, 5] }, 'on points and channel banks next to spawning coves', 'They stage deep beside where they will spawn.', 0.7),
  rule('pre-spawn', 'pike-walleye', { depthM: [1, 4] }, 'recovering along the first green weed', 'Spent fish feed before they spread.'),
  rule('pre-spawn', 'deep', { depthM: [2, 15] }, 'off points while the surface stays cold', 'They use the shallows until the sun closes them.'),
  rule('pre-spawn', 'stocked-trout', { depthM: [0.5, 4] }, 'near the bank and inflows', 'Warming water wakes the food.'),
  rule('pre-spawn', 'roach-like', { depthM: [0.5, 3] }, 'toward the shallows', 'They gather to spawn.'),
];

/** The row for a stage and a group. */
export const stageRuleOf = (stage: SeasonStage, group: SpeciesGroup) => stageRules.find((r) => r.stage === stage && r.group === group)!;
