import { methodOf, usualMethod } from '@burrow/core/methods';
import { clockText, dayMs, spanText, tempText } from '@burrow/core/units';
import type { Outlook } from '@burrow/core/outlook';
import { Link, usePathname, type Href } from 'expo-router';
import { useEffect, type ReactNode } from 'react';
import { Pressable, useWindowDimensions, View } from 'react-native';
import { useNow } from '@/data/clock';
import { useOutlook } from '@/data/outlook';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { useOuting, useWater } from '@/data/water';
import { usePalette } from '@/theme/theme';
import { phaseWords } from '@/features/outlook/ribbon/words';
import { Icon, type IconName } from '@/ui/icon/Icon';
import { pictureTraits } from '@/features/station/pictures';
import { Text } from '@/ui/Text';
import { KeptBand } from './KeptBand';
import { TwoOutings } from './TwoOutings';

/** The third place is called after the way one fishes now. */
const places: { href: Href; path: string; label: string; icon: IconName }[] = [
  { href: '/', path: '/', label: 'Outlook', icon: 'sunrise' },
  { href: '/water', path: '/water', label: 'Water', icon: 'waves' },
  { href: '/hole', path: '/hole', label: 'Hole', icon: 'hole' },
  { href: '/season', path: '/season', label: 'Season', icon: 'bars' },
  { href: '/practice', path: '/practice', label: 'Practice', icon: 'target' },
];

export const wideFrom = 1000;
export const useWide = () => useWindowDimensions().width >= wideFrom;

/** Header, places and the screen between them: at the bottom on a phone, in a rail on wide screens. */
export function Shell({ children }: { children: ReactNode }) {
  const palette = usePalette();
  const wide = useWide();
  const path = usePathname();
  const outing = useOuting();
  const { place: third, picture } = useStationMethod();
  const atHole = path === '/hole' && outing?.currentStation != null;
  useEffect(() => {
    // What an undo and a text field are made of is fetched once the first page stands: later there may be no signal.
    const later = setTimeout(() => void import('@/features/with-paper').catch(() => undefined), 2500);
    return () => clearTimeout(later);
  }, []);
  return (
    <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column', backgroundColor: palette.ground }}>
      {wide ? <Rail path={path} /> : null}
      <View role="main" style={{ flex: 1, minHeight: 0 }}>
        <StatusLine back={!wide && atHole} gear={!wide} />
        <KeptBand />
        <TwoOutings />
        <View style={{ flex: 1, minHeight: 0 }}>{children}</View>
      </View>
      {wide || atHole ? null : (
        <View
          role="navigation"
          aria-label="Places"
          style={{ flexDirection: 'row', borderTopWidth: 1, borderTopColor: palette.line, backgroundColor: palette.card, paddingBottom: 4 }}
        >
          {places.map((place) => (
            <Place key={place.path} {...place} {...(place.path === '/hole' ? { label: third, icon: pictureTraits[picture].icon } : {})} current={path === place.path} />
          ))}
        </View>
      )}
    </View>
  );
}

function Place({ href, label, icon, current }: (typeof places)[number] & { current: boolean }) {
  const palette = usePalette();
  return (
    <Link href={href} asChild>
      <Pressable role="link" aria-current={current ? 'page' : undefined} style={{ flex: 1, minHeight: 64, alignItems: 'center', justifyContent: 'center', gap: 2 }}>
        <Icon name={icon} size={26} color={current ? palette.ember : palette.second} />
        <Text size="small" strong={current} tone={current ? 'ember' : 'second'}>
          {label}
        </Text>
      </Pressable>
    </Link>
  );
}

function Rail({ path }: { path: string }) {
  const palette = usePalette();
  const { place: third, picture } = useStationMethod();
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={{ width: 92, paddingVertical: 16, gap: 4, borderRightWidth: 1, borderRightColor: palette.line, backgroundColor: palette.card }}
    >
      <View style={{ alignItems: 'center', paddingBottom: 12 }} aria-hidden>
        <Icon name="hole" size={44} color={palette.ink} />
      </View>
      {places.map((place) => (
        <View key={place.path} style={{ height: 68 }}>
          <Place {...place} {...(place.path === '/hole' ? { label: third, icon: pictureTraits[picture].icon } : {})} current={path === place.path} />
        </View>
      ))}
      <View style={{ flex: 1 }} />
      <View style={{ height: 68 }}>
        <Place href="/gear" path="/gear" label="Gear" icon="cog" current={path === '/gear'} />
      </View>
    </View>
  );
}

/** The way that the third place is called after: of the outing under way, else of the last one. */
function useStationMethod() {
  const outing = useOuting();
  const { state } = useLedger();
  return methodOf((outing ?? state.outings.at(-1))?.method ?? '') ?? usualMethod;
}

/** Water, phase and until when, cold, what is unsent: one slim line above every screen. */
function StatusLine({ back, gear }: { back: boolean; gear: boolean }) {
  const palette = usePalette();
  const { place: third } = useStationMethod();
  const { units } = usePreferences();
  const { unsent, reached, trouble, refused } = useLedger();
  const { water, detail } = useWater();
  const { outlook, without } = useOutlook();
  const now = useNow(30_000);
  const zone = detail.data?.value.file.water.timezone;
  const felt = outlook?.feelsLikeC;
  const parts = [
    zone ? clockText(now, zone) : null,
    without ? 'no weather yet' : outlook ? nextChange(outlook, now) : null,
    felt === undefined ? null : `feels ${tempText(felt, units)}`,
  ].filter((p) => p !== null);
  return (
    <View
      role="banner"
      style={{
        minHeight: 48,
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        paddingLeft: back ? 0 : 16,
        paddingRight: gear ? 0 : 16,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
        backgroundColor: palette.ground,
      }}
    >
      {back ? (
        <Link href="/water" asChild>
          <Pressable role="link" aria-label={`Leave the ${third.toLowerCase()} for the map`} style={{ width: 48, height: 48, alignItems: 'center', justifyContent: 'center' }}>
            <Icon name="back" size={30} color={palette.ink} />
          </Pressable>
        </Link>
      ) : null}
      <View style={{ flex: 1, flexDirection: 'row', gap: 8, overflow: 'hidden', alignItems: 'baseline' }}>
        <Text strong size="small" numberOfLines={1} style={{ flexShrink: 0 }}>
          {water?.name ?? 'Vivid Burrow'}
        </Text>
        <Text size="small" tone="second" numberOfLines={1} style={{ flexShrink: 1 }}>
          {parts.join('  ')}
        </Text>
      </View>
      {trouble !== null ? (
        <Text strong size="small" tone="straw" aria-live="polite">
          {unsent > 0 ? `${unsent} unsent, server trouble` : 'server trouble'}
        </Text>
      ) : unsent > 0 ? (
        <Text strong size="small" tone="straw" aria-live="polite">{`${unsent} unsent`}</Text>
      ) : reached === false ? (
        <Text size="small" tone="straw">
          no signal
        </Text>
      ) : refused.length > 0 ? (
        <Text strong size="small" tone="straw">{`${refused.length} refused`}</Text>
      ) : null}
      {gear ? (
        <Link href="/gear" asChild>
          <Pressable role="link" aria-label="Gear" style={{ width: 48, height: 48, alignItems: 'center', justifyContent: 'center' }}>
            <Icon name="cog" color={palette.second} />
          </Pressable>
        </Link>
      ) : null}
    </View>
  );
}

/** "front in 12 h", or the phase that it is. */
function nextChange({ nextFront, phaseNow }: Pick<Outlook, 'nextFront' | 'phaseNow'>, nowMs: number): string | null {
  if (nextFront && nextFront.atMs > nowMs && nextFront.atMs - nowMs < dayMs) return `front in ${spanText(nextFront.atMs - nowMs)}`;
  return phaseNow ? phaseWords[phaseNow.name] : null;
}
