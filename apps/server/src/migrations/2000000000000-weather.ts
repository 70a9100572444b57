import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Weather by place, as a service gave it, and by water, as an angler brought it. */
export class Weather2000000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE "weather_place" (
        "place" text CONSTRAINT "weather_place_pk" PRIMARY KEY,
        "lat" double precision NOT NULL,
        "lon" double precision NOT NULL,
        "service" text NOT NULL,
        "simulated" boolean NOT NULL,
        "observed_at" timestamptz NOT NULL,
        "past_days" integer NOT NULL,
        "fetched_at" timestamptz NOT NULL,
        "series" jsonb NOT NULL
      );
      CREATE TABLE "own_weather" (
        "account_id" uuid NOT NULL CONSTRAINT "own_weather_account_fk" REFERENCES "account" ON DELETE CASCADE,
        "water_id" text NOT NULL,
        "source" text NOT NULL,
        "brought_at" timestamptz NOT NULL,
        "series" jsonb NOT NULL,
        CONSTRAINT "own_weather_pk" PRIMARY KEY ("account_id", "water_id")
      );
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "own_weather"; DROP TABLE "weather_place"');
  }
}
