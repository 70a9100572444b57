import type { TubeBuild } from '@burrow/core/ledger';
import { seatSnagsText, snagsBySeat } from '@burrow/core/season';
import { seatWords, tailsText, tubeBuildText, tubeFigures, tubeName } from '@burrow/core/tackle';
import { clamp, fishLengthText } from '@burrow/core/units';
import { useState } from 'react';
import { View } from 'react-native';
import { useNow } from '@/data/clock';
import { preferences, putPresentation, usePreferences, type Presentation } from '@/data/preferences';
import { useLedger } from '@/data/session';
import { PieceDrawing } from '@/features/tackle/PieceDrawing';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Stepper } from '@/ui/Stepper';
import { Text } from '@/ui/Text';

const seats = [
  { id: 'short', label: 'Short of the nose' },
  { id: 'full', label: 'Right to the end' },
] as const;
const scents = [
  { id: 'yes', label: 'Scent' },
  { id: 'no', label: 'None' },
] as const;

interface Props {
  piece: Presentation;
  /** Told the piece of the box that goes on the line instead. */
  onBuilt: (id: string) => void;
}

/** The tube on the line, and building it anew: where its head sits, scent, tails. What is built otherwise is a piece of its own, so that the log can compare them. */
export function TubeField({ piece, onBuilt }: Props) {
  const { units } = usePreferences();
  const { state } = useLedger();
  const now = useNow(60_000);
  const [isOpen, setOpen] = useState(false);
  const { of: base, ...was } = piece.tube ?? { of: piece.name };
  const [build, setBuild] = useState<TubeBuild>(was);
  const said = tubeBuildText(was);
  if (!isOpen || !piece.tackle) return <Action height={64} label={said === '' ? 'How the tube is built' : `Tube: ${said}`} onPress={() => setOpen(true)} />;
  const name = tubeName(base, build);
  const put = () => {
    const known = preferences.get().presentations.find((p) => p.name === name);
    onBuilt(known?.id ?? putPresentation({ name, tackle: piece.tackle!, tube: { of: base, ...build } }, null));
  };
  const snags = snagsBySeat(state.outings, now);
  const { seat } = build;
  return (
    <View role="group" aria-label="How the tube is built" style={{ gap: 8 }}>
      <Text strong>Seat of the head</Text>
      <Choice label="Seat of the head" options={seats} value={seat ?? null} onChange={(id) => setBuild({ ...build, seat: id })} wrap />
      <PieceDrawing piece={{ piece: name, ...piece.tackle }} tube={build} units={units} />
      {seat ? (
        <>
          <Text strong>{seatWords[seat].hangs}</Text>
          <Text size="small">{seatWords[seat].how}</Text>
        </>
      ) : (
        <Text size="small" tone="second">
          For a drag over rock and for one that hangs level: short of the nose.
        </Text>
      )}
      {snags.map((s) => (
        <Text key={s.seat} size="small">
          {seatSnagsText(s)}
        </Text>
      ))}
      <Text strong>Scent, a good dose before the head goes in</Text>
      <Choice label="Scent" options={scents} value={build.scent === undefined ? null : build.scent ? 'yes' : 'no'} onChange={(id) => setBuild({ ...build, scent: id === 'yes' })} />
      <Text size="small" tone="second">
        Schools differ: some say that smell does not carry in cold water. Fish both, and Season compares them.
      </Text>
      <Stepper
        label="Tails behind the bend"
        text={build.cutMm === undefined ? null : fishLengthText(build.cutMm, units)}
        empty="not cut"
        onStep={(d) => setBuild({ ...build, cutMm: build.cutMm === undefined ? tubeFigures.tailsMm : clamp(build.cutMm + d, 0, 100) })}
        onClear={() => {
          const { cutMm: _cut, ...rest } = build;
          setBuild(rest);
        }}
        hint={tailsText}
      />
      <Action kind="main" height={64} label="This one goes on the line" disabled={name === piece.name} onPress={put} />
    </View>
  );
}
