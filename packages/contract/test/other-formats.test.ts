import { FormatError, parseGpx, parseKml, parseNmea, parsePlacesGeoJson, parseSoundingsCsv, placesGeoJson, readPlaces, shoreAmong } from '../src/formats';

const kml = (body: string) =>
  `<?xml version="1.0"?><kml xmlns="http://www.opengis.net/kml/2.2" xmlns:gx="http://www.google.com/kml/ext/2.2"><Document><Folder>${body}</Folder></Document></kml>`;
const placemark = (body: string) => `<Placemark><name>P</name>${body}</Placemark>`;
/** A sentence with its checksum. */
const nmea = (body: string) => `$${body}*${[...body].reduce((x, c) => x ^ c.charCodeAt(0), 0).toString(16).toUpperCase().padStart(2, '0')}`; // prettier-ignore

describe('KML', () => {
  test('points, lines, tracks with times, polygons and rings come in; a height is no depth', () => {
    const read = parseKml(
      kml(
        placemark('<description>by the reeds</description><Point><coordinates>-140.001,47.002,-8</coordinates></Point>') +
          placemark('<MultiGeometry><LineString><coordinates>-140,47 -140.1,47.1</coordinates></LineString><Point><coordinates>-140,47</coordinates></Point></MultiGeometry>') +
          placemark('<gx:Track><when>2026-11-27T08:00:00Z</when><gx:coord>-140 47 0</gx:coord></gx:Track>') +
          placemark(
            '<Polygon><outerBoundaryIs><LinearRing><coordinates>0,0 1,0 1,1 0,0</coordinates></LinearRing></outerBoundaryIs><innerBoundaryIs><LinearRing><coordinates>.2,.2 .3,.2 .3,.3 .2,.2</coordinates></LinearRing></innerBoundaryIs></Polygon>',
          ),
      ),
    );
    expect(read.points).toEqual([
      { role: 'spot', at: [-140.001, 47.002], name: 'P', note: 'by the reeds' },
      { role: 'spot', at: [-140, 47], name: 'P' },
    ]);
    expect(read.tracks.map((t) => t.points)).toEqual([[{ at: [-140, 47] }, { at: [-140.1, 47.1] }], [{ at: [-140, 47], time: '2026-11-27T08:00:00Z' }]]);
    expect(read.shores).toEqual([{ name: 'P', ring: [[0, 0], [1, 0], [1, 1], [0, 0]], islands: [[[0.2, 0.2], [0.3, 0.2], [0.3, 0.3], [0.2, 0.2]]] }]); // prettier-ignore
    expect(read.leftOut).toEqual([]);
  });

  test('a depth counts in metres, or in the unit that is given; without one it is left out and said', () => {
    const point = (name: string, value: string) =>
      placemark(`<ExtendedData><Data name="${name}"><value>${value}</value></Data></ExtendedData><Point><coordinates>1,2</coordinates></Point>`);
    const schema = placemark('<ExtendedData><SchemaData><SimpleData name="depth_m">3.5</SimpleData></SchemaData></ExtendedData><Point><coordinates>1,2</coordinates></Point>');
    expect(parseKml(kml(schema)).points[0].depthM).toBe(3.5);
    const unknown = parseKml(kml(point('Depth', '20')));
    expect([unknown.points[0].depthM, unknown.leftOut]).toEqual([undefined, [{ where: 'placemark 1, depth', why: expect.stringMatching(/does not tell its unit/) }]]);
    expect(parseKml(kml(point('Depth', '20')), { metresPerUnit: 0.3048 }).points[0].depthM).toBe(6.096);
    expect(parseKml(kml(point('depth_m', 'deep'))).leftOut[0].why).toMatch(/expected 0 to 1000 m, found "deep"/);
  });

  test('what is none is refused, a bad position listed', () => {
    expect(() => parseKml('<kml><Document>')).toThrow(/line 1: expected KML, found text that is not well-formed XML/);
    expect(() => parseKml('<gpx/>')).toThrow(/element kml/);
    expect(() => parseKml(kml(''))).toThrow(/expected placemarks/);
    expect(parseKml(kml(placemark('<Point><coordinates>47,-140</coordinates></Point>'))).leftOut).toEqual([
      { where: 'placemark 1, point, point 1', why: expect.stringMatching(/longitude,latitude/) },
    ]);
  });
});

describe('an NMEA 0183 log', () => {
  const fix = (time: string) => nmea(`GPGGA,${time},4700.600,N,14000.300,W,1,08,0.9,545.4,M,46.9,M,,`);
  const rmc = nmea('GPRMC,081500,A,4700.600,N,14000.300,W,000.5,054.7,271126,020.3,E');

  test('depths lie at the fix before them, below the surface where the transducer’s depth is told, with the time of the day', () => {
    const { points, leftOut } = parseNmea([rmc, nmea('SDDPT,5.5,0.4,100'), fix('081502'), nmea('SDDPT,6.0,-0.3'), nmea('GPGSV,1,1,00')].join('\r\n'));
    expect(points).toEqual([
      { role: 'sounding', at: [-140.005, 47.01], depthM: 5.9, time: '2026-11-27T08:15:00Z' },
      { role: 'sounding', at: [-140.005, 47.01], depthM: 6, time: '2026-11-27T08:15:02Z' },
    ]);
    expect(leftOut).toEqual([]);
  });

  test('DBT is read in metres, feet or fathoms where there is no DPT', () => {
    const read = (dbt: string) => parseNmea([fix('081502'), nmea(dbt)].join('\n')).points[0].depthM;
    expect([read('SDDBT,36.4,f,11.1,M,6.1,F'), read('SDDBT,10,f,,M,,F'), read('SDDBT,,f,,M,2,F')]).toEqual([11.1, 3.048, 3.658]);
    expect(parseNmea([fix('081502'), nmea('SDDBT,36.4,f,11.1,M,6.1,F'), nmea('SDDPT,11.1,0.4')].join('\n')).points).toHaveLength(1);
  });

  test('a wrong checksum, a missing one, no fix, an old fix and no bottom: left out, listed by line but for the last', () => {
    const bad = nmea('SDDPT,5.5,0.4').replace('5.5', '8.5');
    const late = nmea('GPRMC,081530,V,,,,,,,271126,,');
    const { points, leftOut } = parseNmea(['# survey', nmea('SDDPT,4.0,0'), fix('081502'), bad, '$SDDPT,5.0,0', nmea('SDDPT,,'), late, nmea('SDDPT,5.0,0'), fix('081531'), nmea('SDDPT,5000,0'), nmea('SDDPT,2,0')].join('\n')); // prettier-ignore
    expect(points.map((p) => p.depthM)).toEqual([2]);
    expect(leftOut).toEqual([
      { where: 'line 2', why: expect.stringMatching(/expected a position/) },
      { where: 'line 4', why: expect.stringMatching(/^expected the checksum [0-9A-F]{2}, found [0-9A-F]{2}$/) },
      { where: 'line 5', why: 'expected a checksum at the end, found none' },
      { where: 'line 8', why: expect.stringMatching(/expected a position/) },
      { where: 'line 10', why: expect.stringMatching(/expected a depth of 0 to 1000 m/) },
    ]);
  });

  test('a log that never writes checksums is read; one without depths is none', () => {
    expect(parseNmea('$GPGGA,081502,4700.600,S,14000.300,E,1\n$SDDPT,2,0').points[0].at).toEqual([140.005, -47.01]);
    expect(() => parseNmea(rmc)).toThrow(FormatError);
    expect(() => readPlaces('x.nmea', 'hello')).toThrow(/NMEA 0183 log with depths/);
  });
});

describe('depths without a unit', () => {
  test('GPX extensions of others, GeoJSON and CSV go by the unit that is given', () => {
    const gpx = '<gpx version="1.1"><wpt lat="47" lon="-140"><extensions><x:Depth xmlns:x="urn:x">12</x:Depth></extensions></wpt></gpx>';
    expect(parseGpx(gpx)).toMatchObject({ points: [{ at: [-140, 47] }], leftOut: [{ why: expect.stringMatching(/do not tell their unit/) }] });
    expect(parseGpx(gpx, { metresPerUnit: 0.3048 })).toMatchObject({ points: [{ depthM: 3.658 }], leftOut: [] });
    const geojson = '{"type":"Feature","geometry":{"type":"Point","coordinates":[1,2]},"properties":{"depth":10,"name":null}}';
    expect([parsePlacesGeoJson(geojson).points[0].depthM, parsePlacesGeoJson(geojson, { metresPerUnit: 1.8288 }).points[0].depthM]).toEqual([undefined, 18.288]);
    expect(() => parseSoundingsCsv('lon,lat,depth\n1,2,300')).toThrow(/line 1: expected the column depth_m in metres, found depth, which does not tell its unit/);
    expect(parseSoundingsCsv('lon,lat,depth\n1,2,300', { metresPerUnit: 0.01 }).points[0].depthM).toBe(3);
    // Metres that say so stay metres.
    expect(parseSoundingsCsv('lon,lat,depth_m\n1,2,3', { metresPerUnit: 0.3048 }).points[0].depthM).toBe(3);
  });
});

describe('a shore among places', () => {
  const way = (points: [number, number][], name?: string) => ({ ...(name === undefined ? {} : { name }), points: points.map((at) => ({ at })) });
  const square: [number, number][] = [[0, 0], [0.01, 0], [0.01, 0.01], [0, 0.01]]; // prettier-ignore

  test('is the largest polygon or way whose ends meet, closed exactly; the rest stays', () => {
    const walked = way([...square, [0.0001, 0.0001]], 'walk');
    const found = shoreAmong({ points: [], tracks: [walked, way([[0, 0], [1, 1]])], shores: [{ ring: [[0, 0], [0.001, 0], [0, 0.001], [0, 0]] }] }); // prettier-ignore
    if ('why' in found) throw new Error(found.why);
    expect(found.shore.ring).toEqual([...square, [0.0001, 0.0001], [0, 0]]);
    expect(found.rest).toMatchObject({ tracks: [{ points: [{ at: [0, 0] }, { at: [1, 1] }] }], shores: [expect.anything()] });
  });

  test('brings its islands, from GeoJSON and from KML, each closed', () => {
    const island: [number, number][] = [[0.004, 0.004], [0.006, 0.004], [0.006, 0.006], [0.004, 0.004]]; // prettier-ignore
    const geojson = JSON.stringify({ type: 'Polygon', coordinates: [[...square, square[0]], island] });
    const text = (ring: [number, number][]) => `<LinearRing><coordinates>${ring.map((p) => p.join(',')).join(' ')}</coordinates></LinearRing>`;
    const kml = `<kml><Placemark><Polygon><outerBoundaryIs>${text([...square, square[0]])}</outerBoundaryIs><innerBoundaryIs>${text(island)}</innerBoundaryIs></Polygon></Placemark></kml>`;
    for (const places of [parsePlacesGeoJson(geojson), parseKml(kml)]) {
      const found = shoreAmong(places);
      if ('why' in found) throw new Error(found.why);
      expect(found.shore).toEqual({ ring: [...square, square[0]], islands: [island] });
      expect(JSON.parse(placesGeoJson(found.rest, found.shore)).features[0].geometry.coordinates).toEqual([[...square, square[0]], island]);
    }
  });

  test('a route’s corners are no places any more, its soundings are', () => {
    const gpx = `<gpx><wpt lat="0.005" lon="0.005"><type>spot</type></wpt><rte>${[...square, square[0]].map(([lon, lat]) => `<rtept lat="${lat}" lon="${lon}"/>`).join('')}</rte></gpx>`;
    const found = shoreAmong(parseGpx(gpx));
    if ('why' in found) throw new Error(found.why);
    expect(found.shore.ring).toHaveLength(5);
    expect(found.rest.points.map((p) => p.at)).toEqual([[0.005, 0.005]]);
  });

  test('ways that do not close are named with what is missing', () => {
    expect(shoreAmong({ points: [], tracks: [way(square.slice(0, 3), 'half')] })).toEqual({
      why: expect.stringMatching(/^expected a polygon, .* found "half" whose ends are 15\d\d m apart$/),
    });
    expect(shoreAmong({ points: [], tracks: [] })).toEqual({ why: expect.stringMatching(/found none$/) });
  });
});
