import { FormatError } from '@burrow/contract/formats';
import { BadInput } from './bad-input';

type Command = (args: string[]) => void | Promise<void>;

const commands: Record<string, () => Promise<Command>> = {
  column: async () => (await import('./commands/column')).column,
  calc: async () => (await import('./commands/calc')).calc,
  fronts: async () => (await import('./commands/fronts')).fronts,
  echo: async () => (await import('./commands/echo')).echo,
  map: async () => (await import('./commands/map')).map,
  holes: async () => (await import('./commands/holes')).holes,
  route: async () => (await import('./commands/route')).route,
  simulate: async () => (await import('./commands/simulate')).simulate,
  casts: async () => (await import('./commands/casts')).casts,
  lane: async () => (await import('./commands/troll')).lane,
  spread: async () => (await import('./commands/troll')).spread,
  float: async () => (await import('./commands/pole')).float,
  shot: async () => (await import('./commands/pole')).shot,
  feed: async () => (await import('./commands/pole')).feed,
  'next-ball': async () => (await import('./commands/pole')).nextBall,
  bag: async () => (await import('./commands/pole')).bag,
  season: async () => (await import('./commands/season')).season,
  like: async () => (await import('./commands/like')).like,
  trial: async () => (await import('./commands/trial')).trial,
  place: async () => (await import('./commands/place')).place,
  catches: async () => (await import('./commands/catches')).catches,
  where: async () => (await import('./commands/where')).where,
  situation: async () => (await import('./commands/situation')).situation,
  visits: async () => (await import('./commands/visits')).visits,
  convert: async () => (await import('./commands/convert')).convert,
  retrieve: async () => (await import('./commands/retrieve')).retrieve,
  'tie-on': async () => (await import('./commands/tie-on')).tieOn,
};

const usage = `burrow COMMAND …

  calc QUANTITY --name value …        a quantity of water, ice, cold, sonar, rig or fish
  column --water F.geojson --weather F.csv --at ISO [--measurements F.csv]
                                      temperature, oxygen, light and ice of a water
  fronts F.csv [--lat N]              fronts and phases of a weather series; F.metar with --month 2027-01
  map F.geojson|F.csv [--contour-m 1]  depth lines and structure; with --at lon,lat the depth there;
                                      with --cross-validate K how well left-out soundings are foretold
  holes --water F.geojson --species id --at ISO --count N [--start lon,lat] [--walk-m M] [--weather F.csv]
                                      where to drill, in walking order, with reasons
  casts --water F.geojson --band LO,HI --cast-m L --count N [--from lon,lat] [--bank] [--strike-m R] [--level-m X]
                                      where to stand and along which bearings to cast, most shown first
  lane --water F.geojson --band LO,HI --bait-m D [--clearance-m C] [--turn-m R] [--start lon,lat] [--length-m L]
                                      a way to troll along those depths, as GeoJSON
  spread --band LO,HI --rods N --baits M [--bites F.csv]
                                      depths for the baits of each line, drawn to what bit
  route F.geojson|F.csv [--closed]     a short walk over places (CSV: x,y in metres)
  simulate --seed N --minutes M [--scene id] [--truth F]
  echo F.ndjson [--species id] [--coach] [--water-temp-c T]
  tie-on --box F.csv --species id --temp-c T --secchi-m S --method ice|pole|cast|vertical|troll --goal numbers|size|supper
         [--depth-m D] [--current-ms U] [--cloud C] [--zone middle|near-bottom|bottom] [--log F.ndjson]
         [--forage perch|minnow|shad|crayfish|insects]
                                      what of the box to tie on, best first, with reasons
  retrieve --family id --temp-c T --depth-m D [--bed rock|mud|gravel|weed] [--seen chase|follow|ignore|none]
           [--goal numbers|size|supper] [--after cast|touch|miss|fish]
                                      how a bait is brought back: what the hand does, where it works, pauses and pace
  float --depth-m D --flow-ms U [--wind-ms W --reach-m R]
                                      capacity of float wanted, by the stronger of flow and wind
  shot --capacity-g G --depth-m D [--load-g g] [--pattern bulk|strung|strung-dropper|bulk-droppers]
                                      shot for a float, and where it goes on the line
  feed --depth-m D --flow-ms U --ball-cm d --density-gcc r --break surface|half|bottom|never
       --particle crumb|pellet|maggot|caster|hemp [--profile uniform|seventh]
                                      where the food of a ball comes to lie
  next-ball --depth-m D --flow-ms U --run-m L [--last surface|half|bottom|never --blank-min N]
            [--fish unfed|used] [--temp-c T]
                                      how many balls, how hard they are squeezed and where they are dropped
  bag --count N --mean-g M [--sd-g S] weight of a bag with its 90 % range
  season F.ndjson [--weather F.csv --water F.geojson]
                                      effort, rates and comparisons of a ledger, what goes with more bites, where fish
                                      are lost, and with weather whether the Outlook was right
  like --water F --log F.ndjson --count N
                                      places of a water like those where fish bit, as GeoJSON, best first
  trial F.ndjson [--between A,B]      which of two baits fish take better, as far as the log is sure of it
  where --water F.geojson --species id --method m --at ISO [--weather F.csv] [--log F.ndjson] [--temp-c T]
        [--craft bank|boat|kayak|foot] [--level-m X] [--goal numbers|size|supper]
                                      places to fish, best first, as GeoJSON, each in the depths of that fish or why not
  situation --water F.geojson --species id --method m --at ISO [--weather F.csv] [--log F.ndjson]
                                      what is known there and then, each value with who says it and of when
  visits F.ndjson                     each stay at a station, a line a visit, with every fish that came there
  catches F.ndjson                    the fish of a ledger as CSV
  place TEXT                          a place as people write it (51.5, -0.12; 51°30'N 0°7.2'W) in degrees
  convert IN OUT [--leave-out]        places between .gpx, .geojson and soundings .csv;
                                      a ledger .ndjson to catches .csv or .ndjson
`;

async function main([name, ...args]: string[]): Promise<number> {
  if (name === undefined || name === '--help' || name === 'help') {
    process.stdout.write(usage);
    return 0;
  }
  if (!Object.hasOwn(commands, name)) throw new BadInput(`expected one of ${Object.keys(commands).join(', ')}, found "${name}"`);
  await (
    await commands[name]()
  )(args);
  return 0;
}

process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 1));
main(process.argv.slice(2)).then(
  (code) => {
    process.exitCode = code;
  },
  (error: unknown) => {
    const isInput = error instanceof BadInput || error instanceof FormatError || error instanceof RangeError;
    process.stderr.write(isInput ? `burrow: ${(error as Error).message}\n` : `burrow: ${(error as Error).stack}\n`);
    process.exitCode = isInput ? 2 : 1;
  },
);
