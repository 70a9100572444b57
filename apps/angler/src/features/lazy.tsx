import { Suspense, type ComponentType } from 'react';
import { AtOutingWater } from '@/data/outlook';
import { Notice } from '@/ui/Notice';
import { ScreenGuard } from '@/ui/ScreenGuard';
import { lazily } from '@/ui/lazily';
import type * as Screens from './field-screens';

/** A screen that is loaded when it is opened, with what is shown while it comes; one of an outing is about the water of the outing under way. */
function opened(name: keyof typeof Screens, isOfOuting = false): ComponentType {
  const Screen = lazily(() => import('./field-screens').then((screens) => screens[name]));
  return function Opened() {
    return (
      <ScreenGuard>
        <Suspense fallback={<Notice title="Coming up" busy />}>
          {isOfOuting ? (
            <AtOutingWater>
              <Screen />
            </AtOutingWater>
          ) : (
            <Screen />
          )}
        </Suspense>
      </ScreenGuard>
    );
  };
}

export const WaterRoute = opened('WaterScreen');
export const HoleRoute = opened('StationScreen', true);
export const SeasonRoute = opened('SeasonScreen');
export const PracticeRoute = opened('PracticeScreen');
export const GearRoute = opened('GearScreen');
export const FieldcraftRoute = opened('FieldcraftScreen');
export const MarkWaterRoute = opened('MarkWaterScreen');
export const NewWaterRoute = opened('NewWaterScreen');
export const OutingRoute = opened('OutingScreen');
export const TieOnRoute = opened('TieOnScreen', true);
export const CrewRoute = opened('CrewScreen', true);
export const RigCardRoute = opened('RigCardScreen', true);
