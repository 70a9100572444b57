import type { OutingState } from '@burrow/core/ledger';
import { saveFile } from './files';

/** Saves the tracks of an outing's passes as GPX. */
export async function savePassTracks(outing: OutingState): Promise<void> {
  const { passTracksGpx } = await import('@burrow/contract/formats');
  saveFile(`passes-${outing.waterName.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.gpx`, 'application/gpx+xml', passTracksGpx(outing));
}
