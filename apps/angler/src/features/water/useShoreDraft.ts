import type { LonLat } from '@burrow/core/ground';
import { useEffect, useState } from 'react';
import { takeOver } from '@/data/brought-file';
import { openFile } from '@/data/files';
import { groundWorker } from '@/data/ground';
import { whereAmI } from './where-am-i';

/** The shore of a water of one's own while it is drawn, and the place that its chart is opened at. Nothing of it is kept. */
export function useShoreDraft() {
  const [corners, setCorners] = useState<LonLat[]>([]);
  const [past, setPast] = useState<LonLat[][]>([]);
  const [place, setPlace] = useState<LonLat | null>(null);
  const [brought, setBrought] = useState<LonLat[] | null>(null);
  const [islands, setIslands] = useState<LonLat[][]>([]);
  const [says, setSays] = useState<string | null>(null);
  const draw = (next: LonLat[]) => {
    setPast((p) => [...p, corners]);
    setCorners(next);
  };
  const undo = () => {
    setCorners(past.at(-1) ?? []);
    setPast((p) => p.slice(0, -1));
  };
  const goTo = (at: LonLat) => {
    setSays(null);
    setPlace(at);
  };
  const locate = () => whereAmI().then(goTo, (error: Error) => setSays(`${error.message} Type the place, or bring a shore or soundings: the chart goes where they are.`));
  const standHere = () => whereAmI().then((at) => draw([...corners, at]), (error: Error) => setSays(`${error.message} Tap the corner instead.`)); // prettier-ignore
  const take = async (picked: { name: string; text: string }) => {
    setSays(null);
    try {
      const shore = await (await groundWorker()).readShore(picked.name, picked.text);
      draw(shore.ring);
      setBrought(shore.ring);
      setIslands(shore.islands);
    } catch (error) {
      setSays(`${picked.name}: ${(error as Error).message}`);
    }
  };
  const bring = async () => {
    const picked = await openFile('.gpx,.kml,.geojson,.json');
    if (picked) await take(picked);
  };
  // A shore that was opened under Gear is gone on with here.
  useEffect(() => {
    const handed = takeOver();
    if (handed) void Promise.resolve(handed).then(take);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the screen opens
  }, []);
  return { corners, islands, place, brought, says, canUndo: past.length > 0, setSays, draw, undo, goTo, locate, standHere, bring };
}
