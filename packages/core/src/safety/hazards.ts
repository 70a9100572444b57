/** Dangers of cold open and moving water, each where it bears. Source: fieldcraft §7. */
const rows = {
  coldWater: {
    id: 'cold-water',
    headline: 'Cold water takes the breath, then the hands',
    text: 'A minute to get the breath back, ten in which hands still work. Flotation worn, a way back up within reach, somebody who knows the plan and the hour.',
  },
  boat: {
    id: 'boat',
    headline: 'Boat: the kill cord on, weight low',
    text: 'Seated to fish, one at a time to land a fish. A line in the propeller: engine off first. Be off before wind against the way home.',
  },
  kayak: {
    id: 'kayak',
    headline: 'Kayak: dressed for the water, not the air',
    text: 'Practise getting back in before it is cold. Near the bank, with the wind toward it; turn back while hands still work.',
  },
  pier: {
    id: 'pier',
    headline: 'Pier: ice on planks and rungs',
    text: 'Boots that grip, a ladder in sight, nobody alone after dark without a light.',
  },
  bank: {
    id: 'bank',
    headline: 'Bank: wet stones freeze',
    text: 'Boots that grip, three steps back from an undercut edge, never out along shelf ice. A throw line within reach.',
  },
  wading: {
    id: 'wading',
    headline: 'Wading: to the knee, with a staff',
    text: 'A belt over the waders, the feet sideways to the current, out at the first numb toe. A rising river first shows as colour and leaves.',
  },
} as const;

export type CraftHazard = (typeof rows)[keyof typeof rows];

/** What to mind with a craft on cold open water. Every one of them has the water itself. */
export const craftHazards = (craft: 'bank' | 'pier' | 'boat' | 'kayak' | 'wading'): CraftHazard[] => [rows[craft], rows.coldWater];
