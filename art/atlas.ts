import { createRequire } from 'node:module';
import { continents as CONTINENT_NAMES, countries as COUNTRIES } from 'countries-list';
import type { GeoPermissibleObjects, GeoProjection } from 'd3-geo';
import {
  geoAlbersUsa,
  geoArea,
  geoAzimuthalEqualArea,
  geoCentroid,
  geoCircle,
  geoConicEqualArea,
  geoEqualEarth,
  geoPath,
} from 'd3-geo';
import type { Feature, FeatureCollection, MultiPolygon, Polygon } from 'geojson';
import { feature, merge, neighbors } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';
import type { PicturePath } from '../core/pictures/picture';
import type { Tagged } from './diagrams/drawn';
import { target } from './diagrams/drawn';

/** Base maps from Natural Earth by way of world-atlas and us-atlas, each in a projection that keeps areas; their parts are named. */

const require = createRequire(import.meta.url);
type Atlas = Topology<{ countries: GeometryCollection<{ name: string }> }>;
type States = Topology<{ states: GeometryCollection<{ name: string }> }>;
type Land = Polygon | MultiPolygon;

const WATER = '#dcebf3';
const SHORE = '#5f7f92';
const TINTS = ['#e9e0b8', '#cfdfb6', '#f2d3b8', '#dccbe0', '#f4e4a6', '#c4dccb'];
const WIDE = 800;

/** Names that the two packages write differently, or the atlas shortens; and the continent where none is listed. */
const WHOLE: Record<string, string> = {
  'W. Sahara': 'Western Sahara',
  'United States of America': 'United States',
  'Dem. Rep. Congo': 'Democratic Republic of the Congo',
  'Dominican Rep.': 'Dominican Republic',
  'Falkland Is.': 'Falkland Islands',
  'Timor-Leste': 'East Timor',
  "Côte d'Ivoire": 'Ivory Coast',
  'Central African Rep.': 'Central African Republic',
  Congo: 'Republic of the Congo',
  'Eq. Guinea': 'Equatorial Guinea',
  eSwatini: 'Eswatini',
  Turkey: 'Turkey',
  'Solomon Is.': 'Solomon Islands',
  'Bosnia and Herz.': 'Bosnia and Herzegovina',
  Macedonia: 'North Macedonia',
  'S. Sudan': 'South Sudan',
};
const ELSEWHERE: Record<string, string> = {
  'Democratic Republic of the Congo': 'AF',
  'Republic of the Congo': 'AF',
  'Ivory Coast': 'AF',
  Turkey: 'AS',
  'East Timor': 'AS',
  Somaliland: 'AF',
  'N. Cyprus': 'AS',
  'Fr. S. Antarctic Lands': 'AN',
  Russia: 'EU',
};
const byName = new Map(Object.values(COUNTRIES).map(({ name, continent }) => [name as string, continent as string]));
const nameOf = (name: string) => WHOLE[name] ?? name;
const continentOf = (name: string) => ELSEWHERE[name] ?? byName.get(name) ?? '';

const round = (value: number) => Math.round(value * 10) / 10;

type Drawing = {
  path: (shape: GeoPermissibleObjects) => string;
  at: (shape: Land) => [number, number] | null;
  height: number;
};

/** Fits a projection to a region, and draws it. */
function drawingOf(projection: GeoProjection, seen: GeoPermissibleObjects, height: number): Drawing {
  projection.fitExtent(
    [
      [10, 10],
      [WIDE - 10, height - 10],
    ],
    seen,
  );
  projection.clipExtent([
    [0, 0],
    [WIDE, height],
  ]);
  const path = geoPath(projection).digits(1);
  return {
    height,
    path: (shape) => path(shape) ?? '',
    at: (shape) => {
      const largest = largestOf(shape);
      const point = projection(geoCentroid(largest));
      return point && point[0] > 4 && point[0] < WIDE - 4 && point[1] > 4 && point[1] < height - 4
        ? [round(point[0]), round(point[1])]
        : null;
    },
  };
}

/** The largest part of a country, where its name stands, so that it is not in the sea between islands. */
function largestOf(shape: Land): Polygon {
  const parts = shape.type === 'Polygon' ? [shape.coordinates] : shape.coordinates;
  const polygons = parts.map((coordinates): Polygon => ({ type: 'Polygon', coordinates }));
  return polygons.reduce((best, one) => (geoArea(one) > geoArea(best) ? one : best));
}

const filled = (d: string, fill: string, stroke: string | null = SHORE, width = 0.8): PicturePath => ({
  d,
  fill,
  stroke,
  width: stroke ? width : 0,
  opacity: 1,
});

/** A tint for each, so that neighbours differ where six tints are enough: greedy colouring, the first that is free. */
function tintsFor(around: number[][]): string[] {
  const out: number[] = [];
  around.forEach((near, i) => {
    const used = new Set(near.filter((n) => n < i).map((n) => out[n]));
    let tint = i % 3;
    for (let tries = 0; used.has(tint) && tries < TINTS.length; tries++) tint = (tint + 1) % TINTS.length;
    out.push(tint);
  });
  return out.map((tint) => TINTS[tint]);
}

/** Maps that show the whole globe, with its rim. */
const WHOLE_GLOBES = { continents: true, oceans: true };

function picture(
  id: string,
  name: string,
  height: number,
  paths: PicturePath[],
  named: [string, [number, number] | null][],
  tags: string[],
): Tagged {
  return {
    id: `map/${id}`,
    name,
    width: WIDE,
    height,
    paths: [
      ...(id in WHOLE_GLOBES ? [] : [filled(`M0 0H${WIDE}V${height}H0Z`, WATER, null)]),
      ...paths.filter(({ d }) => d !== ''),
    ],
    targets: named.flatMap(([said, at]) => (at ? [target(said, at[0], at[1], 9)] : [])),
    tags: ['map', 'geography', ...tags],
    group: 'maps',
    licence: 'Public domain',
    credit: 'Natural Earth',
  };
}

const box = (west: number, south: number, east: number, north: number): Feature => ({
  type: 'Feature',
  properties: {},
  geometry: {
    type: 'MultiPoint',
    coordinates: [
      [west, south],
      [west, north],
      [east, south],
      [east, north],
      [(west + east) / 2, north],
      [(west + east) / 2, south],
    ],
  },
});

/** The oceans as coarse rings that lie beneath the land; what none of them covers is the Pacific. */
const along = (points: [number, number][]): Polygon => ({ type: 'Polygon', coordinates: [[...points, points[0]]] });
const OCEANS: { name: string; at: [number, number]; ring: Polygon; tint: string }[] = [
  {
    name: 'Atlantic Ocean',
    at: [-35, 25],
    tint: '#cfe1f3',
    ring: along([
      [-68, -60],
      [-68, -50],
      [-48, -28],
      [-35, -8],
      [-50, 0],
      [-77, 8],
      [-84, 10],
      [-95, 18],
      [-98, 25],
      [-82, 31],
      [-75, 45],
      [-65, 60],
      [-45, 66.5],
      [-20, 66.5],
      [15, 66.5],
      [5, 60],
      [-5, 48],
      [-6, 36],
      [-17, 15],
      [10, 5],
      [12, -5],
      [20, -34],
      [20, -47],
      [20, -60],
      [0, -60],
      [-20, -60],
      [-45, -60],
    ]),
  },
  {
    name: 'Indian Ocean',
    at: [78, -25],
    tint: '#cfe6df',
    ring: along([
      [20, -60],
      [20, -34],
      [28, -33],
      [35, -22],
      [40, -5],
      [50, 6],
      [43, 13],
      [48, 30],
      [60, 26],
      [72, 21],
      [80, 16],
      [90, 23],
      [98, 17],
      [98, 5],
      [105, -6],
      [114, -8],
      [115, -22],
      [130, -32],
      [147, -40],
      [147, -60],
      [115, -60],
      [85, -60],
      [50, -60],
    ]),
  },
];

function worldMaps(): Tagged[] {
  const world = require('world-atlas/countries-110m.json') as Atlas;
  const { geometries } = world.objects.countries;
  const continentIds = ['AF', 'AN', 'AS', 'EU', 'NA', 'OC', 'SA'] as const;
  const lands = continentIds.map((id): [string, MultiPolygon] => [
    CONTINENT_NAMES[id],
    merge(
      world,
      geometries.filter(
        (one) => continentOf(nameOf((one.properties as { name?: string })?.name ?? '')) === id,
      ) as never,
    ),
  ]);
  const draw = drawingOf(geoEqualEarth(), { type: 'Sphere' }, 400);
  const sphere = filled(draw.path({ type: 'Sphere' }), WATER, SHORE, 1);
  const whole = geoEqualEarth().fitExtent(
    [
      [10, 10],
      [WIDE - 10, 390],
    ],
    { type: 'Sphere' },
  );
  // The middle of Europe's land lies far in the east; its name stands where people expect it.
  const names: [string, [number, number] | null][] = lands.map(([name, land]) => [
    name,
    name === 'Europe' ? (whole([18, 50])!.map(round) as [number, number]) : draw.at(land),
  ]);
  const continents = picture(
    'continents',
    'the continents',
    400,
    [sphere, ...lands.map(([, land], i) => filled(draw.path(land), TINTS[[0, 5, 2, 3, 1, 4, 0][i]]))],
    names,
    ['world', 'continent', 'earth'],
  );

  const equator = drawingOf(geoEqualEarth(), { type: 'Sphere' }, 400);
  const spot = (at: [number, number]) => whole(at)!.map(round) as [number, number];
  const polar = (latitude: number, radius: number): Polygon =>
    geoCircle().center([0, latitude]).radius(radius).precision(4)();
  const oceans = picture(
    'oceans',
    'the oceans',
    400,
    [
      filled(equator.path({ type: 'Sphere' }), '#a8cde6', SHORE, 1),
      ...OCEANS.map(({ ring, tint }) => filled(equator.path(clockwise(ring)), tint, '#8fb3c6', 0.6)),
      filled(equator.path(polar(90, 23.5)), '#e2eef2', '#8fb3c6', 0.6),
      filled(equator.path(polar(-90, 30)), '#d9e3ee', '#8fb3c6', 0.6),
      ...lands.map(([, land]) => filled(equator.path(land), '#e9e2cb')),
    ],
    [
      ...OCEANS.map(({ name, at }): [string, [number, number]] => [name, spot(at)]),
      ['Pacific Ocean', spot([-140, 10])],
      ['Arctic Ocean', spot([20, 82])],
      ['Southern Ocean', spot([40, -64])],
    ],
    ['world', 'ocean', 'sea', 'water'],
  );
  return [continents, oceans];
}

/** A ring, wound so that its inside is the smaller side of the globe. */
function clockwise(ring: Polygon): Polygon {
  return geoArea(ring) <= 2 * Math.PI ? ring : { type: 'Polygon', coordinates: [ring.coordinates[0].toReversed()] };
}

type Part = {
  id: string;
  name: string;
  continents: string[];
  projection: GeoProjection;
  seen: Feature;
  height: number;
  fine?: boolean;
};
const PARTS: Part[] = [
  {
    id: 'europe',
    name: 'Europe, countries',
    continents: ['EU'],
    projection: geoConicEqualArea().rotate([-15, 0]).parallels([43, 62]),
    seen: box(-20, 36, 40, 69),
    height: 640,
    fine: true,
  },
  {
    id: 'africa',
    name: 'Africa, countries',
    continents: ['AF'],
    projection: geoAzimuthalEqualArea().rotate([-18, -2]),
    seen: box(-18, -35, 51, 37),
    height: 860,
  },
  {
    id: 'asia',
    name: 'Asia, countries',
    continents: ['AS'],
    projection: geoAzimuthalEqualArea().rotate([-90, -32]),
    seen: box(30, -10, 145, 54),
    height: 640,
  },
  {
    id: 'north-america',
    name: 'North and Central America, countries',
    continents: ['NA'],
    projection: geoAzimuthalEqualArea().rotate([98, -44]),
    seen: box(-140, 7, -60, 72),
    height: 760,
  },
  {
    id: 'south-america',
    name: 'South America, countries',
    continents: ['SA'],
    projection: geoAzimuthalEqualArea().rotate([60, 20]),
    seen: box(-81, -55, -35, 12),
    height: 960,
  },
  {
    id: 'oceania',
    name: 'Oceania, countries',
    continents: ['OC'],
    projection: geoAzimuthalEqualArea().rotate([-148, 24]),
    seen: box(114, -46, 178, -1),
    height: 620,
  },
];

function countryMaps(): Tagged[] {
  return PARTS.map(({ id, name, continents, projection, seen, height, fine }) => {
    const world = require(`world-atlas/countries-${fine ? '50m' : '110m'}.json`) as Atlas;
    const { geometries } = world.objects.countries;
    const all = (feature(world, world.objects.countries) as FeatureCollection<Land, { name: string }>).features;
    const draw = drawingOf(projection, seen, height);
    const tints = tintsFor(neighbors(geometries as never));
    const own = (one: (typeof all)[number]) => continents.includes(continentOf(nameOf(one.properties.name)));
    // The smallest have no room for a name. They are drawn, and can be pointed at by hand.
    const large = (one: (typeof all)[number]) => geoArea(one) > (fine ? 0.00006 : 0.0001);
    return picture(
      id,
      name,
      height,
      all.map((one, i) =>
        filled(draw.path(one), own(one) ? tints[i] : '#efece2', own(one) ? SHORE : '#c9c4b4', own(one) ? 0.9 : 0.6),
      ),
      all.filter((one) => own(one) && large(one)).map((one) => [nameOf(one.properties.name), draw.at(one.geometry)]),
      ['country', 'countries', ...name.toLowerCase().split(/[ ,]+/)],
    );
  });
}

function states(): Tagged {
  const us = require('us-atlas/states-10m.json') as States;
  const shapes = (feature(us, us.objects.states) as FeatureCollection<Land, { name: string }>).features.filter(
    ({ id }) => Number(id) <= 56 && Number(id) !== 11,
  );
  const projection = geoAlbersUsa().fitExtent(
    [
      [12, 12],
      [WIDE - 12, 488],
    ],
    { type: 'FeatureCollection', features: shapes },
  );
  const path = geoPath(projection).digits(1);
  const order = (us.objects.states.geometries as { id?: string | number }[]).map(({ id }) => id);
  const tints = tintsFor(neighbors(us.objects.states.geometries as never));
  return picture(
    'states',
    'the states of the USA',
    500,
    shapes.map((one) => filled(path(one) ?? '', tints[order.indexOf(one.id)])),
    shapes.map(({ properties, geometry }) => {
      const point = projection(geoCentroid(largestOf(geometry)));
      return [properties.name, point && [round(point[0]), round(point[1])]];
    }),
    ['america', 'usa', 'state', 'states', 'country'],
  );
}

export const atlas = (): Tagged[] => [...worldMaps(), ...countryMaps(), states()];
