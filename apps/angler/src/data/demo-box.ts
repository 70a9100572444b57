import { change, preferences, unsaid } from './preferences';
import type { Presentation } from './stored-box';

/** The tackle that most of the demo's winter was fished with. */
const demoBox: Presentation[] = [
  { id: 'demo-jig', name: 'Tungsten 4 mm, plastic', tackle: { ...unsaid, family: 'micro-jig' } },
  { id: 'demo-spoon', name: 'Small spoon, one point tipped', tackle: { ...unsaid, family: 'spoon' } },
  { id: 'demo-hook', name: 'Plain hook, deadstick', tackle: { ...unsaid, family: 'plain-hook' } },
];

/** Lends an empty box the demo's tackle while one is in the demo. */
export function lendDemoBox(): void {
  if (preferences.get().presentations.length === 0) change({ presentations: demoBox, presentation: demoBox[0].id });
}

/** Takes what the demo lent out again: in an account of one's own it is nobody's tackle. */
export function returnDemoBox(): void {
  const { presentations, presentation } = preferences.get();
  const isLent = (id: string | null) => demoBox.some((p) => p.id === id);
  if (presentations.some((p) => isLent(p.id))) change({ presentations: presentations.filter((p) => !isLent(p.id)), presentation: isLent(presentation) ? null : presentation });
}
