import { LocalFrame, type LonLat } from '@burrow/core/ground';
import type { StationState } from '@burrow/core/ledger';
import { counted } from '@burrow/core/units';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { usePalette } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { useSize } from '@/ui/useSize';

/** Room about the way, px, and the least that the picture spans, m. */
const [marginPx, leastM] = [40, 60];

/** Where the pass has gone by the phone, where something took, and where one is; north up. */
export function TrackView({ pass, here, strikes, why }: { pass: StationState; here: LonLat | null; strikes: readonly LonLat[]; why: string | null }) {
  const palette = usePalette();
  const [{ width, height }, onLayout] = useSize();
  const way = [...(pass.track ?? [pass.at]), ...(here ? [here] : [])];
  const frame = LocalFrame.about([...way, ...strikes]);
  const spots = [...way, ...strikes].map((p) => frame.toMetres(p));
  const spanM = Math.max(leastM, ...spots.map(([x]) => 2 * Math.abs(x)), ...spots.map(([, y]) => 2 * Math.abs(y)));
  const pxPerM = Math.max(0, Math.min(width, height) - 2 * marginPx) / spanM;
  const px = (p: LonLat) => {
    const [x, y] = frame.toMetres(p);
    return { x: width / 2 + x * pxPerM, y: height / 2 - y * pxPerM };
  };
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`The way of this pass, north up. ${counted(strikes.length, 'strike')}.`}
      style={{ flex: 1, minHeight: 160, backgroundColor: palette.depths[0] }}
    >
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          {way.length > 1 ? (
            <Path
              d={`M${way
                .map(px)
                .map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`)
                .join('L')}`}
              fill="none"
              stroke={palette.ink}
              strokeWidth={3}
            />
          ) : null}
          {strikes.map((at, k) => (
            <Circle key={k} cx={px(at).x} cy={px(at).y} r={7} fill={palette.kelp} stroke={palette.card} strokeWidth={2} />
          ))}
          {here ? <Circle cx={px(here).x} cy={px(here).y} r={9} fill={palette.ember} stroke={palette.card} strokeWidth={2.5} /> : null}
        </Svg>
      ) : null}
      {here ? null : (
        <View style={{ position: 'absolute', left: 16, right: 16, top: 12 }}>
          <Text size="small" tone="second">
            {why ?? 'The phone does not say where it is yet.'}
          </Text>
        </View>
      )}
    </View>
  );
}
