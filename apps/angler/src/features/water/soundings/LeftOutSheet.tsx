import { counted } from '@burrow/core/units';
import { ScrollView } from 'react-native';
import { Action } from '@/ui/Action';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import type { SoundingFileControl } from './useSoundingFile';

/** Rows shown of those left out. */
const shownRows = 6;

/** What of a file cannot be read, and whether to go on without it. */
export function LeftOutSheet({ asked, goOn, leave }: SoundingFileControl['leftOut']) {
  return (
    <Sheet
      title={`${counted(asked?.leftOut.length ?? 0, 'row')} cannot be read`}
      open={asked !== null}
      onClose={leave}
      footer={
        <>
          <Action kind="main" height={64} label={`Go on with the other ${asked?.soundings.length ?? 0}`} onPress={goOn} />
          <Action label="Bring nothing" onPress={leave} />
        </>
      }
    >
      <ScrollView>
        {asked?.leftOut.slice(0, shownRows).map((l) => (
          <Text key={l.where} size="small">{`${l.where}: ${l.why}`}</Text>
        ))}
        {asked && asked.leftOut.length > shownRows ? <Text size="small" tone="second">{`and ${asked.leftOut.length - shownRows} more`}</Text> : null}
      </ScrollView>
    </Sheet>
  );
}
