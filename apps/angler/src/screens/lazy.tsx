import { lazy, Suspense, type ComponentType } from 'react';
import { Notice } from '@/components/Notice';
import type * as Screens from './afield';

/** A screen of the piece for afield, with what is shown while it comes. */
function afield(name: keyof typeof Screens): ComponentType {
  const Screen = lazy(() => import('./afield').then((screens) => ({ default: screens[name] })));
  return function Afield() {
    return (
      <Suspense fallback={<Notice title="Coming up" busy />}>
        <Screen />
      </Suspense>
    );
  };
}

export const WaterAfield = afield('WaterScreen');
export const HoleAfield = afield('HoleScreen');
export const PracticeAfield = afield('PracticeScreen');
export const FieldcraftAfield = afield('FieldcraftScreen');
export const MarkWaterAfield = afield('MarkWaterScreen');
export const NewWaterAfield = afield('NewWaterScreen');
