import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What an account's life needs, which ledger this is, and which form each account's projections have. */
export class Keep2200000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE "server_state" ("key" text NOT NULL, "value" text NOT NULL, CONSTRAINT "server_state_pk" PRIMARY KEY ("key"));
      INSERT INTO "server_state" VALUES ('generation', gen_random_uuid()::text);
      ALTER TABLE "account" ADD COLUMN "projected" integer NOT NULL DEFAULT 0;
      ALTER TABLE "account" ADD COLUMN "settings" jsonb NOT NULL DEFAULT '{}';
      CREATE TABLE "reset_code" (
        "account_id" uuid NOT NULL, "code_hash" text NOT NULL, "expires_at" TIMESTAMP WITH TIME ZONE NOT NULL, "tries" integer NOT NULL DEFAULT 0,
        CONSTRAINT "reset_code_pk" PRIMARY KEY ("account_id"),
        CONSTRAINT "reset_code_account_fk" FOREIGN KEY ("account_id") REFERENCES "account" ("id") ON DELETE CASCADE
      );
      CREATE TABLE "invitation" ("code_hash" text NOT NULL, "expires_at" TIMESTAMP WITH TIME ZONE NOT NULL, CONSTRAINT "invitation_pk" PRIMARY KEY ("code_hash"));
      CREATE TABLE "guess" ("key" varchar(255) NOT NULL, "points" integer NOT NULL DEFAULT 0, "expire" bigint, CONSTRAINT "guess_pk" PRIMARY KEY ("key"));
      CREATE INDEX "session_account_ix" ON "session" (("sess"->>'accountId'));
      DELETE FROM "own_weather" w WHERE NOT EXISTS (SELECT 1 FROM "water" WHERE "water"."account_id" = w."account_id" AND "water"."id" = w."water_id");
      ALTER TABLE "own_weather" DROP CONSTRAINT "own_weather_account_fk";
      ALTER TABLE "own_weather" ADD CONSTRAINT "own_weather_water_fk"
        FOREIGN KEY ("account_id", "water_id") REFERENCES "water" ("account_id", "id") ON DELETE CASCADE;
      ALTER TABLE "weather_place" ADD COLUMN "asked_by" uuid;
      CREATE INDEX "weather_place_asked_ix" ON "weather_place" ("asked_by");
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE "weather_place" DROP COLUMN "asked_by";
      ALTER TABLE "own_weather" DROP CONSTRAINT "own_weather_water_fk";
      ALTER TABLE "own_weather" ADD CONSTRAINT "own_weather_account_fk" FOREIGN KEY ("account_id") REFERENCES "account" ("id") ON DELETE CASCADE;
      DROP INDEX "session_account_ix";
      DROP TABLE "guess"; DROP TABLE "invitation"; DROP TABLE "reset_code"; DROP TABLE "server_state";
      ALTER TABLE "account" DROP COLUMN "settings"; ALTER TABLE "account" DROP COLUMN "projected";
    `);
  }
}
