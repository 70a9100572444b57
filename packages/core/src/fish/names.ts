import type { Region } from './regions';
import type { SpeciesId } from './species';

/** A cold-water fish by name: what it is called, where it lives, and whose figures advise on it. */
export interface FishName {
  id: string;
  name: string;
  /** Name for buttons and sentences, where it is not the whole name. */
  short?: string;
  scientific: string;
  /** Where it lives, at home or brought in. */
  regions: readonly Region[];
  /** Those of them where it is at home. */
  homes: readonly Region[];
  /** The fish of the figures whose advice it takes: the nearest of its group. Absent for one with figures of its own. */
  like?: SpeciesId;
  /** Where the ruler begins, and where a measured fish usually lies, mm; absent for one with figures of its own. */
  ruler?: readonly [fromMm: number, usualMm: number];
}

type Row = [id: string, name: string, scientific: string, regions: string, like: SpeciesId | '', ruler?: readonly [number, number], short?: string];

const regionOf: Record<string, Region> = { N: 'north-america', S: 'south-america', E: 'europe', A: 'asia', F: 'africa', O: 'australasia' };

/**
 * Regions: N North America, S South America, E Europe, A Asia, F Africa, O Australia and New Zealand; small where the fish was brought in and lives on.
 * Names and ranges: standard works on freshwater fish; the likeness is of habit in cold water. Source: fieldcraft.
 */
const rows: readonly Row[] = [
  // With figures of their own.
  ['black-crappie', 'Black crappie', 'Pomoxis nigromaculatus', 'N', ''],
  ['white-crappie', 'White crappie', 'Pomoxis annularis', 'N', ''],
  ['yellow-perch', 'Yellow perch', 'Perca flavescens', 'N', ''],
  ['walleye', 'Walleye', 'Sander vitreus', 'N', ''],
  ['bluegill', 'Bluegill', 'Lepomis macrochirus', 'Naf', ''],
  ['northern-pike', 'Northern pike', 'Esox lucius', 'NEA', ''],
  ['lake-trout', 'Lake trout', 'Salvelinus namaycush', 'Ne', ''],
  ['lake-whitefish', 'Lake whitefish', 'Coregonus clupeaformis', 'N', ''],
  ['burbot', 'Burbot', 'Lota lota', 'NEA', ''],
  ['white-perch', 'White perch', 'Morone americana', 'N', ''],
  ['white-bass', 'White bass', 'Morone chrysops', 'N', ''],
  ['rainbow-trout', 'Rainbow trout', 'Oncorhynchus mykiss', 'NAsefo', ''],
  ['largemouth', 'Largemouth bass', 'Micropterus nigricans', 'Neaf', ''],
  ['smallmouth', 'Smallmouth bass', 'Micropterus dolomieu', 'Naf', ''],
  ['spotted-bass', 'Spotted bass', 'Micropterus punctulatus', 'Nf', ''],
  ['roach', 'Roach', 'Rutilus rutilus', 'EAo', ''],
  ['european-perch', 'European perch', 'Perca fluviatilis', 'EAfo', ''],
  // Trout, char, salmon, whitefish and their kin.
  ['brown-trout', 'Brown trout', 'Salmo trutta', 'EAnsfo', 'rainbow-trout', [150, 380]],
  ['brook-trout', 'Brook trout', 'Salvelinus fontinalis', 'Nsefo', 'rainbow-trout', [120, 280]],
  ['arctic-char', 'Arctic char', 'Salvelinus alpinus', 'NEA', 'lake-trout', [150, 350]],
  ['dolly-varden', 'Dolly Varden', 'Salvelinus malma', 'NA', 'lake-trout', [150, 380]],
  ['bull-trout', 'Bull trout', 'Salvelinus confluentus', 'N', 'lake-trout', [200, 450]],
  ['white-spotted-char', 'White-spotted char', 'Salvelinus leucomaenis', 'A', 'rainbow-trout', [120, 300]],
  ['splake', 'Splake', 'Salvelinus namaycush × fontinalis', 'N', 'lake-trout', [150, 380]],
  ['cutthroat', 'Cutthroat trout', 'Oncorhynchus clarkii', 'N', 'rainbow-trout', [150, 350], 'Cutthroat'],
  ['kokanee', 'Kokanee', 'Oncorhynchus nerka', 'NAo', 'lake-whitefish', [150, 300]],
  ['masu-salmon', 'Masu salmon', 'Oncorhynchus masou', 'A', 'rainbow-trout', [150, 300]],
  ['chinook-salmon', 'Chinook salmon', 'Oncorhynchus tshawytscha', 'NAso', 'lake-trout', [200, 600]],
  ['coho-salmon', 'Coho salmon', 'Oncorhynchus kisutch', 'NAs', 'lake-trout', [200, 500]],
  ['landlocked-salmon', 'Landlocked salmon', 'Salmo salar', 'NEso', 'lake-trout', [200, 450]],
  ['huchen', 'Huchen', 'Hucho hucho', 'E', 'northern-pike', [300, 700]],
  ['taimen', 'Taimen', 'Hucho taimen', 'EA', 'northern-pike', [300, 750]],
  ['lenok', 'Lenok', 'Brachymystax lenok', 'A', 'rainbow-trout', [150, 380]],
  ['european-grayling', 'European grayling', 'Thymallus thymallus', 'E', 'rainbow-trout', [120, 320], 'Grayling'],
  ['arctic-grayling', 'Arctic grayling', 'Thymallus arcticus', 'NA', 'rainbow-trout', [120, 320]],
  ['european-whitefish', 'European whitefish', 'Coregonus lavaretus', 'EA', 'lake-whitefish', [120, 350], 'Whitefish'],
  ['vendace', 'Vendace', 'Coregonus albula', 'EA', 'lake-whitefish', [80, 180]],
  ['peled', 'Peled', 'Coregonus peled', 'Ae', 'lake-whitefish', [120, 330]],
  ['cisco', 'Cisco', 'Coregonus artedi', 'N', 'lake-whitefish', [100, 280]],
  ['round-whitefish', 'Round whitefish', 'Prosopium cylindraceum', 'NA', 'lake-whitefish', [120, 330]],
  ['mountain-whitefish', 'Mountain whitefish', 'Prosopium williamsoni', 'N', 'lake-whitefish', [120, 300]],
  ['inconnu', 'Inconnu', 'Stenodus nelma', 'NEA', 'northern-pike', [300, 700]],
  ['rainbow-smelt', 'Rainbow smelt', 'Osmerus mordax', 'NA', 'lake-whitefish', [80, 180]],
  ['european-smelt', 'European smelt', 'Osmerus eperlanus', 'E', 'lake-whitefish', [80, 150]],
  ['pond-smelt', 'Pond smelt', 'Hypomesus nipponensis', 'An', 'lake-whitefish', [60, 90]],
  // Pike, walleye and their kin.
  ['muskellunge', 'Muskellunge', 'Esox masquinongy', 'N', 'northern-pike', [400, 900]],
  ['chain-pickerel', 'Chain pickerel', 'Esox niger', 'N', 'northern-pike', [200, 420]],
  ['amur-pike', 'Amur pike', 'Esox reichertii', 'A', 'northern-pike', [300, 600]],
  ['sauger', 'Sauger', 'Sander canadensis', 'N', 'walleye', [150, 330]],
  ['zander', 'Zander', 'Sander lucioperca', 'EA', 'walleye', [200, 500]],
  ['volga-zander', 'Volga zander', 'Sander volgensis', 'EA', 'walleye', [150, 300]],
  ['asp', 'Asp', 'Leuciscus aspius', 'EA', 'northern-pike', [200, 500]],
  // Sunfish, basses and small perches.
  ['pumpkinseed', 'Pumpkinseed', 'Lepomis gibbosus', 'Ne', 'bluegill', [60, 140]],
  ['redear-sunfish', 'Redear sunfish', 'Lepomis microlophus', 'N', 'bluegill', [80, 200]],
  ['green-sunfish', 'Green sunfish', 'Lepomis cyanellus', 'N', 'bluegill', [60, 140]],
  ['rock-bass', 'Rock bass', 'Ambloplites rupestris', 'N', 'bluegill', [80, 180]],
  ['striped-bass', 'Striped bass', 'Morone saxatilis', 'N', 'white-bass', [200, 550]],
  ['yellow-bass', 'Yellow bass', 'Morone mississippiensis', 'N', 'white-bass', [80, 200]],
  ['ruffe', 'Ruffe', 'Gymnocephalus cernua', 'EAn', 'european-perch', [50, 110]],
  ['creole-perch', 'Creole perch', 'Percichthys trucha', 'S', 'european-perch', [120, 300]],
  ['patagonian-silverside', 'Patagonian silverside', 'Odontesthes hatcheri', 'S', 'lake-whitefish', [100, 280]],
  ['golden-perch', 'Golden perch', 'Macquaria ambigua', 'O', 'european-perch', [150, 380]],
  ['macquarie-perch', 'Macquarie perch', 'Macquaria australasica', 'O', 'european-perch', [120, 300]],
  ['silver-perch', 'Silver perch', 'Bidyanus bidyanus', 'O', 'european-perch', [120, 300]],
  ['australian-bass', 'Australian bass', 'Percalates novemaculeatus', 'O', 'smallmouth', [120, 330]],
  ['murray-cod', 'Murray cod', 'Maccullochella peelii', 'O', 'largemouth', [250, 650]],
  ['trout-cod', 'Trout cod', 'Maccullochella macquariensis', 'O', 'largemouth', [200, 450]],
  ['river-blackfish', 'River blackfish', 'Gadopsis marmoratus', 'O', 'burbot', [100, 220]],
  // Carp kin and other fish of the bottom.
  ['bream', 'Common bream', 'Abramis brama', 'EA', 'roach', [100, 380], 'Bream'],
  ['silver-bream', 'Silver bream', 'Blicca bjoerkna', 'E', 'roach', [80, 200]],
  ['rudd', 'Rudd', 'Scardinius erythrophthalmus', 'EAno', 'roach', [80, 200]],
  ['dace', 'Common dace', 'Leuciscus leuciscus', 'EA', 'roach', [80, 180], 'Dace'],
  ['chub', 'European chub', 'Squalius cephalus', 'E', 'roach', [120, 380], 'Chub'],
  ['ide', 'Ide', 'Leuciscus idus', 'EA', 'roach', [120, 380]],
  ['bleak', 'Bleak', 'Alburnus alburnus', 'EA', 'roach', [50, 120]],
  ['gudgeon', 'Gudgeon', 'Gobio gobio', 'EA', 'roach', [50, 120]],
  ['nase', 'Nase', 'Chondrostoma nasus', 'E', 'roach', [120, 350]],
  ['barbel', 'Barbel', 'Barbus barbus', 'E', 'roach', [150, 550]],
  ['tench', 'Tench', 'Tinca tinca', 'EAnfo', 'roach', [120, 400]],
  ['crucian-carp', 'Crucian carp', 'Carassius carassius', 'EA', 'roach', [80, 220], 'Crucian'],
  ['goldfish', 'Goldfish', 'Carassius auratus', 'Aensfo', 'roach', [60, 180]],
  ['common-carp', 'Common carp', 'Cyprinus carpio', 'EAnsfo', 'roach', [150, 550], 'Carp'],
  ['white-sucker', 'White sucker', 'Catostomus commersonii', 'N', 'roach', [120, 380]],
  ['fallfish', 'Fallfish', 'Semotilus corporalis', 'N', 'roach', [80, 250]],
  ['goldeye', 'Goldeye', 'Hiodon alosoides', 'N', 'white-bass', [120, 330]],
  ['freshwater-drum', 'Freshwater drum', 'Aplodinotus grunniens', 'N', 'walleye', [120, 400]],
  ['channel-catfish', 'Channel catfish', 'Ictalurus punctatus', 'Nea', 'burbot', [150, 500]],
  ['brown-bullhead', 'Brown bullhead', 'Ameiurus nebulosus', 'Neao', 'burbot', [100, 250]],
  ['wels', 'Wels catfish', 'Silurus glanis', 'EA', 'burbot', [300, 1000], 'Wels'],
  ['lake-sturgeon', 'Lake sturgeon', 'Acipenser fulvescens', 'N', 'burbot', [400, 1000]],
  ['european-eel', 'European eel', 'Anguilla anguilla', 'EF', 'burbot', [200, 550], 'Eel'],
  ['american-eel', 'American eel', 'Anguilla rostrata', 'N', 'burbot', [200, 550]],
  ['short-finned-eel', 'Short-finned eel', 'Anguilla australis', 'O', 'burbot', [200, 550]],
  ['longfin-eel', 'New Zealand longfin eel', 'Anguilla dieffenbachii', 'O', 'burbot', [200, 700], 'Longfin eel'],
  ['inanga', 'Inanga', 'Galaxias maculatus', 'SO', 'roach', [40, 90]],
  ['smallmouth-yellowfish', 'Smallmouth yellowfish', 'Labeobarbus aeneus', 'F', 'roach', [120, 350]],
  ['largemouth-yellowfish', 'Largemouth yellowfish', 'Labeobarbus kimberleyensis', 'F', 'roach', [150, 450]],
  ['sharptooth-catfish', 'Sharptooth catfish', 'Clarias gariepinus', 'FA', 'burbot', [200, 600]],
];

/** Cold-water fish of both hemispheres by name. */
export const fishNames: readonly FishName[] = rows.map(([id, name, scientific, regions, like, ruler, short]) => ({
  id,
  name,
  scientific,
  regions: [...regions].map((letter) => regionOf[letter.toUpperCase()]),
  homes: [...regions].filter((letter) => letter in regionOf).map((letter) => regionOf[letter]),
  ...(like === '' ? {} : { like }),
  ...(ruler ? { ruler } : {}),
  ...(short ? { short } : {}),
}));

const byId = new Map(fishNames.map((fish) => [fish.id, fish]));
/** The name of a fish by its id; undefined for one of the angler's own naming. */
export const fishNameOf = (id: string): FishName | undefined => byId.get(id);
