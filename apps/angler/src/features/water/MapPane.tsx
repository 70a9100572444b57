import { wayText, type LonLat } from '@burrow/core/ground';
import { feltOn, feltWords } from '@burrow/core/casting';
import { isFlowing, marksOf, type PlaceMark } from '@burrow/contract/formats/water-marks';
import type { WaterDetail } from '@burrow/contract/api';
import { useRouter } from 'expo-router';
import { useCallback, useMemo, useRef, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { Action } from '@/ui/Action';
import type { DepthMapProps } from '@/features/water/map/DepthMapView';
import { Text } from '@/ui/Text';
import { usePreferences } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { usePalette } from '@/theme/theme';
import { MapSheet } from './MapSheet';
import { SaveSheet } from './SaveSheet';
import type { Layers } from './useLayers';
import DepthMapView from '@/features/water/map/DepthMapView';

interface Props extends Omit<DepthMapProps, 'marks' | 'isFlowing' | 'measured' | 'palette' | 'units' | 'zoomRef' | 'showStructure'> {
  water: WaterDetail;
  onLocate: () => void;
  layers: Layers;
  /** Shows the list in the map's stead; none where both stand side by side. */
  onWords?: () => void;
  /** What lies over the map's upper edge. */
  children?: ReactNode;
}

/** The map of a water with what one does to it: zoom, find oneself, measure, choose what it shows. */
export function MapPane({ water, onLocate, layers, onWords, onTap, children, ...map }: Props) {
  const palette = usePalette();
  const router = useRouter();
  const { units } = usePreferences();
  const { state } = useLedger();
  const [open, setOpen] = useState<'map' | 'save' | null>(null);
  const [showStructure, setShowStructure] = useState(!isFlowing(water.file.water.kind));
  const [measured, setMeasured] = useState<LonLat[] | null>(null);
  const zoom = useRef<(by: number) => void>(() => {});
  const holdZoom = useCallback((z: (by: number) => void) => void (zoom.current = z), []);
  // What the bait felt on the bed stands beside what was marked by hand.
  const marks = useMemo(() => {
    const { places, lines } = marksOf(water.file);
    const felt = feltOn(state, water.id).filter((f) => f.what === 'hard' || f.what === 'wood' || f.what === 'snag');
    return {
      lines,
      places: [
        ...places,
        ...felt.map(({ what, at }, k): PlaceMark => {
          const place = { index: -1 - k, at: [at[0], at[1]] as [number, number], name: `${feltWords[what].toLowerCase()} felt` };
          return what === 'hard' ? { ...place, role: 'hard' } : { ...place, role: 'cover', kind: 'timber' };
        }),
      ],
    };
  }, [water, state]);
  const { map: bed } = map.ground;
  return (
    <View style={{ flex: 1, minHeight: 240, backgroundColor: palette.ground }}>
      <DepthMapView
        {...map}
        marks={marks}
        isFlowing={isFlowing(water.file.water.kind)}
        showStructure={showStructure}
        measured={measured ?? undefined}
        palette={palette}
        units={units}
        onTap={(at) => (measured ? setMeasured([...measured, at]) : onTap(at))}
        zoomRef={holdZoom}
      />
      <View style={{ position: 'absolute', right: 12, bottom: 12, gap: 8 }}>
        <Action label="" spoken="Where am I" icon="locate" onPress={onLocate} />
        <Action label="" spoken="Closer" icon="plus" onPress={() => zoom.current(0.7)} />
        <Action label="" spoken="Further" icon="minus" onPress={() => zoom.current(-0.7)} />
      </View>
      <View style={{ position: 'absolute', left: 12, bottom: 36, gap: 8 }}>
        <Action label="Map" spoken="What the map shows and can do" onPress={() => setOpen('map')} />
        {onWords ? <Action label="In words" onPress={onWords} /> : null}
      </View>
      {measured ? (
        <MeasureBar says={wayText(bed, measured, units)} canGoBack={measured.length > 0} onBack={() => setMeasured(measured.slice(0, -1))} onDone={() => setMeasured(null)} />
      ) : (
        <DepthNote says={`depths in ${units.depth === 'ft' ? 'feet' : 'metres'}, ${bed.soundings} soundings, ${map.ground.isShore ? '' : 'no shore drawn, '}north up`} />
      )}
      {children}
      {open === 'map' ? (
        <MapSheet
          onClose={() => setOpen(null)}
          layers={layers}
          showStructure={showStructure}
          onStructure={setShowStructure}
          onMeasure={() => {
            setOpen(null);
            setMeasured([]);
          }}
          onMark={() => router.navigate('/mark-water')}
          onSave={() => setOpen('save')}
          units={units}
        />
      ) : null}
      {open === 'save' ? <SaveSheet water={water} outings={state.outings} onClose={() => setOpen(null)} /> : null}
    </View>
  );
}

/** How long the way is that is being measured, over the map. */
function MeasureBar({ says, canGoBack, onBack, onDone }: { says: string; canGoBack: boolean; onBack: () => void; onDone: () => void }) {
  const palette = usePalette();
  return (
    <View pointerEvents="box-none" style={{ position: 'absolute', left: 8, right: 8, top: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, padding: 8, borderRadius: 10, borderWidth: 1, borderColor: palette.line, backgroundColor: palette.card }}>
        <View style={{ flex: 1 }} aria-live="polite">
          <Text strong>{says}</Text>
        </View>
        <Action label="Back" spoken="Take the last place back" disabled={!canGoBack} onPress={onBack} />
        <Action label="Done" spoken="Done measuring" onPress={onDone} />
      </View>
    </View>
  );
}

/** What the figures of the map are. */
function DepthNote({ says }: { says: string }) {
  const palette = usePalette();
  return (
    <View pointerEvents="none" style={{ position: 'absolute', left: 8, top: 8 }}>
      <View style={{ alignSelf: 'flex-start', paddingHorizontal: 6, borderRadius: 6, backgroundColor: palette.ground }}>
        <Text size="small" tone="second">
          {says}
        </Text>
      </View>
    </View>
  );
}
