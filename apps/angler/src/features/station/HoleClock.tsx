import type { StayOrGo } from '@burrow/core/patch';
import { ClockRing } from '@/ui/ClockRing';

/** Time worth staying at a hole or over a spot. */
export function HoleClock({ clock, untilText, onPress }: { clock: StayOrGo; untilText: string; onPress: () => void }) {
  const isGoing = clock.leftMin === 0;
  return (
    <ClockRing
      figure={isGoing ? 'go' : String(clock.leftMin)}
      unit={isGoing ? null : 'min'}
      share={clock.leftShare}
      caption={isGoing ? 'move on' : `to ${untilText}`}
      spoken={isGoing ? `Go now. ${clock.reason}` : `Stay ${clock.leftMin} minutes, until ${untilText}. ${clock.reason}`}
      onPress={onPress}
    />
  );
}
