import { clamp, fishLengthText, metresPerFishUnit, type UnitPreference } from '@burrow/core/units';
import { useRef } from 'react';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { G, Line, Path, Text as SvgText } from 'react-native-svg';
import { bold, usePalette } from '@/theme/theme';
import { useSize } from '@/ui/useSize';
import { Text } from '@/ui/Text';

interface Props {
  /** Null while it has not been measured. */
  lengthMm: number | null;
  /** Where the ruler lies until then, mm. */
  startMm: number;
  fromMm: number;
  toMm: number;
  units: UnitPreference;
  onChange: (lengthMm: number) => void;
}

const height = 84;
const pxPerMm = 1.9;

/** A ruler to drag under a fixed pointer; arrow keys move it by a step. */
export function LengthRuler({ lengthMm: measuredMm, startMm, fromMm, toMm, units, onChange }: Props) {
  const lengthMm = measuredMm ?? startMm;
  const palette = usePalette();
  const [size, onLayout] = useSize();
  const grip = useRef({ x: 0, mm: 0 });
  const unitMm = metresPerFishUnit(units) * 1000;
  const stepMm = units.fishLength === 'in' ? unitMm / 4 : unitMm;
  const middle = size.width / 2;
  const set = (mm: number) => onChange(clamp(Math.round(mm / stepMm) * stepMm, fromMm, toMm));
  const x = (mm: number) => middle + (mm - lengthMm) * pxPerMm;
  const ticks: { mm: number; whole: boolean; label: string }[] = [];
  const small = units.fishLength === 'in' ? unitMm / 2 : unitMm;
  for (let k = Math.ceil(fromMm / small); k * small <= toMm; k++) {
    const units10 = units.fishLength === 'in' ? k % 2 === 0 : k % 5 === 0;
    ticks.push({ mm: k * small, whole: units10, label: units.fishLength === 'in' ? String(k / 2) : String(k) });
  }
  return (
    <View style={{ gap: 4 }}>
      <Text size={measuredMm === null ? 'title' : 'figure'} strong align="center" tone={measuredMm === null ? 'second' : 'ink'} style={{ minHeight: 52 }}>
        {measuredMm === null ? 'Not measured' : fishLengthText(measuredMm, units)}
      </Text>
      <View
        onLayout={onLayout}
        role="slider"
        tabIndex={0}
        aria-label="Length"
        aria-valuemin={Math.round(fromMm)}
        aria-valuemax={Math.round(toMm)}
        aria-valuenow={Math.round(lengthMm)}
        aria-valuetext={measuredMm === null ? 'not measured' : fishLengthText(measuredMm, units)}
        {...({
          onKeyDown: (e: { key: string; preventDefault: () => void }) => {
            const way = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[e.key];
            if (way === undefined) return;
            e.preventDefault();
            set(lengthMm + way * stepMm);
          },
        } as object)}
        onStartShouldSetResponder={() => true}
        onResponderTerminationRequest={() => false}
        onResponderGrant={(e: GestureResponderEvent) => (grip.current = { x: e.nativeEvent.pageX, mm: lengthMm })}
        // A touch on the ruler measures as well: the figure under the finger.
        onResponderRelease={(e: GestureResponderEvent) => {
          if (measuredMm === null && Math.abs(e.nativeEvent.pageX - grip.current.x) < 4) set(lengthMm + (e.nativeEvent.locationX - middle) / pxPerMm);
        }}
        onResponderMove={(e: GestureResponderEvent) => {
          const moved = e.nativeEvent.pageX - grip.current.x;
          if (measuredMm !== null || Math.abs(moved) >= 4) set(grip.current.mm - moved / pxPerMm);
        }}
        style={
          { height, borderWidth: 1, borderColor: palette.line, borderRadius: 10, backgroundColor: palette.card, overflow: 'hidden', touchAction: 'none', cursor: 'grab' } as object
        }
      >
        <Svg width={size.width} height={height} aria-hidden>
          {ticks
            .filter((t) => Math.abs(x(t.mm) - middle) < middle + 20)
            .map((t) => (
              <G key={t.mm}>
                <Line x1={x(t.mm)} x2={x(t.mm)} y1={0} y2={t.whole ? 30 : 16} stroke={palette.second} strokeWidth={t.whole ? 2 : 1} />
                {t.whole ? (
                  <SvgText x={x(t.mm)} y={52} fontSize={16} fontFamily={bold} fill={palette.ink} textAnchor="middle">
                    {t.label}
                  </SvgText>
                ) : null}
              </G>
            ))}
          <Line
            x1={middle}
            x2={middle}
            y1={0}
            y2={height}
            stroke={measuredMm === null ? palette.second : palette.ember}
            strokeWidth={3}
            strokeDasharray={measuredMm === null ? '4 5' : undefined}
          />
          <Path d={`M${middle - 9} ${height}h18l-9 -13Z`} fill={measuredMm === null ? palette.second : palette.ember} />
        </Svg>
      </View>
    </View>
  );
}
