import type { WeatherHour } from '@burrow/core/weather';
import type { AccountSettings } from '@burrow/contract/api';
import type { WaterFile } from '@burrow/contract/formats/water-geojson';
import { EntitySchema } from 'typeorm';
import { Crew, CrewMember, type CrewMemberRow, type CrewRow } from './crew';

export interface AccountRow {
  id: string;
  email: string;
  name: string;
  passwordHash: string;
  /** Number of the account's last event; grows under the row's lock so that no reader misses a late commit. */
  lastSeq: string;
  /** Form of the account's projections, `projectionForm` of `services/projection` once they are up to date. */
  projected: number;
  /** Units, tackle and what else goes with the angler rather than with the phone; each value with the time it was set. */
  settings: AccountSettings;
  createdAt: Date;
}

export const Account = new EntitySchema<AccountRow>({
  name: 'Account',
  tableName: 'account',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'account_pk' },
    email: { type: 'text' },
    name: { type: 'text' },
    passwordHash: { type: 'text', name: 'password_hash' },
    lastSeq: { type: 'bigint', name: 'last_seq', default: 0 },
    projected: { type: 'integer', default: 0 },
    settings: { type: 'jsonb', default: {} },
    createdAt: { type: 'timestamptz', name: 'created_at', default: () => 'now()' },
  },
  uniques: [{ name: 'account_email_uq', columns: ['email'] }],
});

/** An event of the ledger as it came: envelope in columns, body as JSON. */
export interface EventRow {
  accountId: string;
  id: string;
  seq: string;
  outing: string;
  device: string;
  at: string;
  atInstant: Date;
  /** As it came; version 1 had other kinds. */
  kind: string;
  v: number;
  body: Record<string, unknown>;
  receivedAt: Date;
}

export const Event = new EntitySchema<EventRow>({
  name: 'Event',
  tableName: 'event',
  columns: {
    accountId: { type: 'uuid', name: 'account_id', primary: true, primaryKeyConstraintName: 'event_pk' },
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'event_pk' },
    seq: { type: 'bigint' },
    outing: { type: 'uuid' },
    device: { type: 'text' },
    at: { type: 'text' },
    atInstant: { type: 'timestamptz', name: 'at_instant' },
    kind: { type: 'text' },
    v: { type: 'smallint' },
    body: { type: 'jsonb' },
    receivedAt: { type: 'timestamptz', name: 'received_at', default: () => 'now()' },
  },
  uniques: [{ name: 'event_seq_uq', columns: ['accountId', 'seq'] }],
  indices: [{ name: 'event_outing_ix', columns: ['accountId', 'outing'] }],
  foreignKeys: [{ name: 'event_account_fk', target: 'Account', columnNames: ['accountId'], referencedColumnNames: ['id'], onDelete: 'CASCADE' }],
});

/** What the events of an outing add up to. */
export interface OutingRow {
  accountId: string;
  id: string;
  water: string;
  startedAt: Date;
  endedAt: Date | null;
  /** The way of fishing it ended in. */
  method: string;
  stations: number;
  lineMin: number;
  casts: number;
  bites: number;
  fish: number;
}

export const Outing = new EntitySchema<OutingRow>({
  name: 'Outing',
  tableName: 'outing',
  columns: {
    accountId: { type: 'uuid', name: 'account_id', primary: true, primaryKeyConstraintName: 'outing_pk' },
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'outing_pk' },
    water: { type: 'text' },
    startedAt: { type: 'timestamptz', name: 'started_at' },
    endedAt: { type: 'timestamptz', name: 'ended_at', nullable: true },
    method: { type: 'text' },
    stations: { type: 'integer' },
    lineMin: { type: 'double precision', name: 'line_min' },
    casts: { type: 'integer' },
    bites: { type: 'integer' },
    fish: { type: 'integer' },
  },
  indices: [{ name: 'outing_started_ix', columns: ['accountId', 'startedAt'] }],
  foreignKeys: [{ name: 'outing_account_fk', target: 'Account', columnNames: ['accountId'], referencedColumnNames: ['id'], onDelete: 'CASCADE' }],
});

/** A landed fish, as the ledger has it now. */
export interface FishRow {
  accountId: string;
  id: string;
  outing: string;
  caughtAt: Date;
  species: string;
  lengthMm: number | null;
  weightG: number | null;
  depthM: number | null;
  fate: string | null;
}

export const Fish = new EntitySchema<FishRow>({
  name: 'Fish',
  tableName: 'fish',
  columns: {
    accountId: { type: 'uuid', name: 'account_id', primary: true, primaryKeyConstraintName: 'fish_pk' },
    // With its outing: a fish stands for an entry of one outing, and an outing is written anew by itself.
    outing: { type: 'uuid', primary: true, primaryKeyConstraintName: 'fish_pk' },
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'fish_pk' },
    caughtAt: { type: 'timestamptz', name: 'caught_at' },
    species: { type: 'text' },
    lengthMm: { type: 'integer', name: 'length_mm', nullable: true },
    weightG: { type: 'double precision', name: 'weight_g', nullable: true },
    depthM: { type: 'double precision', name: 'depth_m', nullable: true },
    fate: { type: 'text', nullable: true },
  },
  indices: [{ name: 'fish_id_ix', columns: ['accountId', 'id'] }],
  foreignKeys: [{ name: 'fish_outing_fk', target: 'Outing', columnNames: ['accountId', 'outing'], referencedColumnNames: ['accountId', 'id'], onDelete: 'CASCADE' }],
});

/** A water with its map data, as imported. */
export interface WaterRow {
  accountId: string;
  id: string;
  name: string;
  kind: string;
  lon: number;
  lat: number;
  /** Grows with each change; a change says which one it was made to. */
  version: number;
  file: WaterFile;
  /** Null while it is there. */
  deletedAt: Date | null;
}

export const Water = new EntitySchema<WaterRow>({
  name: 'Water',
  tableName: 'water',
  columns: {
    accountId: { type: 'uuid', name: 'account_id', primary: true, primaryKeyConstraintName: 'water_pk' },
    id: { type: 'text', primary: true, primaryKeyConstraintName: 'water_pk' },
    name: { type: 'text' },
    kind: { type: 'text' },
    lon: { type: 'double precision' },
    lat: { type: 'double precision' },
    version: { type: 'integer', default: 1 },
    file: { type: 'jsonb' },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true, deleteDate: true },
  },
  foreignKeys: [{ name: 'water_account_fk', target: 'Account', columnNames: ['accountId'], referencedColumnNames: ['id'], onDelete: 'CASCADE' }],
});

/** Weather of a place as a service last gave it, with the hours that it gave before. */
export interface WeatherPlaceRow {
  /** Latitude and longitude to a hundredth of a degree. */
  place: string;
  /** The point that the service answered for. */
  lat: number;
  lon: number;
  service: string;
  simulated: boolean;
  /** Until here hours were past when they were last fetched. */
  observedAt: Date;
  /** As many days back were asked for. */
  pastDays: number;
  fetchedAt: Date;
  series: WeatherHour[];
  /** The account it was last fetched for, which gives up its own places first when there are too many. */
  askedBy: string | null;
}

export const WeatherPlace = new EntitySchema<WeatherPlaceRow>({
  name: 'WeatherPlace',
  tableName: 'weather_place',
  columns: {
    place: { type: 'text', primary: true, primaryKeyConstraintName: 'weather_place_pk' },
    lat: { type: 'double precision' },
    lon: { type: 'double precision' },
    service: { type: 'text' },
    simulated: { type: 'boolean' },
    observedAt: { type: 'timestamptz', name: 'observed_at' },
    pastDays: { type: 'integer', name: 'past_days' },
    fetchedAt: { type: 'timestamptz', name: 'fetched_at' },
    series: { type: 'jsonb' },
    askedBy: { type: 'uuid', name: 'asked_by', nullable: true },
  },
  indices: [{ name: 'weather_place_asked_ix', columns: ['askedBy'] }],
});

/** Weather that an angler brought for a water. */
export interface OwnWeatherRow {
  accountId: string;
  waterId: string;
  /** Names of the files it came from. */
  source: string;
  broughtAt: Date;
  series: WeatherHour[];
}

export const OwnWeather = new EntitySchema<OwnWeatherRow>({
  name: 'OwnWeather',
  tableName: 'own_weather',
  columns: {
    accountId: { type: 'uuid', name: 'account_id', primary: true, primaryKeyConstraintName: 'own_weather_pk' },
    waterId: { type: 'text', name: 'water_id', primary: true, primaryKeyConstraintName: 'own_weather_pk' },
    source: { type: 'text' },
    broughtAt: { type: 'timestamptz', name: 'brought_at' },
    series: { type: 'jsonb' },
  },
  foreignKeys: [{ name: 'own_weather_water_fk', target: 'Water', columnNames: ['accountId', 'waterId'], referencedColumnNames: ['accountId', 'id'], onDelete: 'CASCADE' }],
});

/** A code that lets an account set a new password, once. */
export interface ResetCodeRow {
  accountId: string;
  codeHash: string;
  expiresAt: Date;
  tries: number;
}

export const ResetCode = new EntitySchema<ResetCodeRow>({
  name: 'ResetCode',
  tableName: 'reset_code',
  columns: {
    accountId: { type: 'uuid', name: 'account_id', primary: true, primaryKeyConstraintName: 'reset_code_pk' },
    codeHash: { type: 'text', name: 'code_hash' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
    tries: { type: 'integer', default: 0 },
  },
  foreignKeys: [{ name: 'reset_code_account_fk', target: 'Account', columnNames: ['accountId'], referencedColumnNames: ['id'], onDelete: 'CASCADE' }],
});

/** A code that lets one account be made where sign-up is by invitation. */
export interface InvitationRow {
  codeHash: string;
  expiresAt: Date;
}

export const Invitation = new EntitySchema<InvitationRow>({
  name: 'Invitation',
  tableName: 'invitation',
  columns: {
    codeHash: { type: 'text', name: 'code_hash', primary: true, primaryKeyConstraintName: 'invitation_pk' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
  },
});

/** A picture of a fish; the entry of the ledger names it by its id. */
export interface PhotoRow {
  accountId: string;
  id: string;
  jpeg: Buffer;
  receivedAt: Date;
}

export const Photo = new EntitySchema<PhotoRow>({
  name: 'Photo',
  tableName: 'photo',
  columns: {
    accountId: { type: 'uuid', name: 'account_id', primary: true, primaryKeyConstraintName: 'photo_pk' },
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'photo_pk' },
    jpeg: { type: 'bytea' },
    receivedAt: { type: 'timestamptz', name: 'received_at', default: () => 'now()' },
  },
  foreignKeys: [{ name: 'photo_account_fk', target: 'Account', columnNames: ['accountId'], referencedColumnNames: ['id'], onDelete: 'CASCADE' }],
});

export { Crew, CrewMember, type CrewMemberRow, type CrewRow };

export const entities = [Account, Event, Outing, Fish, Water, WeatherPlace, OwnWeather, ResetCode, Invitation, Photo, Crew, CrewMember];
