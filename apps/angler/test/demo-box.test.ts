import { lendDemoBox, returnDemoBox } from '@/data/demo-box';
import { change, preferences } from '@/data/preferences';

beforeEach(() => change({ presentations: [], presentation: null }));

test('the demo lends tackle to an empty box alone, and takes it out again', () => {
  lendDemoBox();
  const { presentations, presentation } = preferences.get();
  expect(presentations.map((p) => p.name)).toContain('Small spoon, one point tipped');
  expect(presentations.map((p) => p.id)).toContain(presentation);
  returnDemoBox();
  expect(preferences.get()).toMatchObject({ presentations: [], presentation: null });
});

test('what an angler put into the box stays there, and on the line', () => {
  const own = { id: 'own', name: 'Red jig' };
  change({ presentations: [own], presentation: 'own' });
  lendDemoBox();
  expect(preferences.get().presentations).toEqual([own]);
  change({ presentations: [] });
  lendDemoBox();
  change({ presentations: [...preferences.get().presentations, own], presentation: 'own' });
  returnDemoBox();
  expect(preferences.get()).toMatchObject({ presentations: [own], presentation: 'own' });
});
