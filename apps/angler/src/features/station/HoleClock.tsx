import type { RoundAdvice } from '@burrow/core/holes';
import type { StayOrGo } from '@burrow/core/patch';
import { ClockRing } from '@/ui/ClockRing';

interface Props {
  clock: StayOrGo;
  /** What comes before one stays here: then no time is counted. */
  round: RoundAdvice | null;
  untilText: string;
  onPress: () => void;
}

/** Time worth staying at a hole or over a spot. */
export function HoleClock({ clock, round, untilText, onPress }: Props) {
  if (round) return <ClockRing figure="go" unit={null} share={1} caption={round.caption} spoken={`Go now. ${round.headline}. ${round.detail}`} onPress={onPress} />;
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
