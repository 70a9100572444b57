import type { StationPicture } from '@burrow/core/methods';
import type { IconName } from '@/ui/icon/Icon';

/** What a picture of a station means to the screens that do not draw it: one row a picture. */
interface PictureTraits {
  /** In the bar. */
  icon: IconName;
  /** Whether a station of it is a place alone: it can be added after the fact, while a peg and a lane are laid where one fishes. */
  isPlaceAlone: boolean;
  /** Whether its lines trail behind: then an entry names the line. */
  isTrailed: boolean;
  /** Whether one bait is on one line: asked when the way changes. A peg has a bait a swim, a pass one a line. */
  asksBait: boolean;
}

export const pictureTraits: Readonly<Record<StationPicture, PictureTraits>> = {
  column: { icon: 'hole', isPlaceAlone: true, isTrailed: false, asksBait: true },
  fan: { icon: 'cast', isPlaceAlone: true, isTrailed: false, asksBait: true },
  section: { icon: 'peg', isPlaceAlone: false, isTrailed: false, asksBait: false },
  lane: { icon: 'pass', isPlaceAlone: false, isTrailed: true, asksBait: false },
};

/** What is known of a way's picture; null of a way that this version does not know. */
export const traitsOfPicture = (picture: StationPicture | undefined): PictureTraits | null => (picture === undefined ? null : pictureTraits[picture]);
