import { useState } from 'react';
import { Image, View } from 'react-native';
import { chooseFile } from '@/data/files';
import { keepPhoto, smallPicture, usePhoto } from '@/data/photos';
import { useAccount } from '@/data/session';
import { Action } from '@/ui/Action';
import { Text } from '@/ui/Text';

/** The picture of a fish: taken or chosen, kept small on the phone and sent when there is a signal. */
export function PhotoField({ photo, onPhoto }: { photo: string | null; onPhoto: (id: string | null) => void }) {
  const { store } = useAccount();
  const [says, setSays] = useState<string | null>(null);
  const take = async () => {
    setSays(null);
    try {
      const file = await chooseFile('image/*');
      if (file) onPhoto(await keepPhoto(store, await smallPicture(file)));
    } catch (error) {
      setSays(`${(error as Error).message}.`);
    }
  };
  return (
    <View style={{ gap: 6 }}>
      {photo ? <Photo id={photo} /> : null}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Action grow label={photo ? 'Another photo' : 'Add a photo'} onPress={() => void take()} />
        {photo ? <Action grow label="Without the photo" onPress={() => onPhoto(null)} /> : null}
      </View>
      <Text size="small" tone={says ? 'straw' : 'second'}>
        {says ?? 'Kept small, without where it was taken.'}
      </Text>
    </View>
  );
}

/** A picture that was kept; what is wrong where it cannot be had. */
export function Photo({ id, height = 180 }: { id: string; height?: number }) {
  const { data, isError } = usePhoto(id);
  if (data === undefined)
    return (
      <Text size="small" tone="second">
        {isError ? 'The picture is on another phone, and has not come here yet.' : 'Fetching the picture.'}
      </Text>
    );
  return <Image source={{ uri: data }} accessibilityLabel="Photo of this fish" resizeMode="contain" style={{ width: '100%', height }} />;
}
