import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Accounts, sessions, events, their projections, and waters. */
export class FirstLedger1700000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE "account" (
        "id" uuid NOT NULL, "email" text NOT NULL, "name" text NOT NULL, "password_hash" text NOT NULL,
        "last_seq" bigint NOT NULL DEFAULT '0', "created_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(),
        CONSTRAINT "account_email_uq" UNIQUE ("email"), CONSTRAINT "account_pk" PRIMARY KEY ("id")
      );
      CREATE TABLE "session" ("sid" text NOT NULL, "sess" json NOT NULL, "expire" TIMESTAMP(6) NOT NULL, CONSTRAINT "session_pk" PRIMARY KEY ("sid"));
      CREATE INDEX "session_expire_ix" ON "session" ("expire");
      CREATE TABLE "event" (
        "account_id" uuid NOT NULL, "id" uuid NOT NULL, "seq" bigint NOT NULL, "outing" uuid NOT NULL, "device" text NOT NULL,
        "at" text NOT NULL, "at_instant" TIMESTAMP WITH TIME ZONE NOT NULL, "kind" text NOT NULL, "v" smallint NOT NULL, "body" jsonb NOT NULL,
        "received_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(),
        CONSTRAINT "event_seq_uq" UNIQUE ("account_id", "seq"), CONSTRAINT "event_pk" PRIMARY KEY ("account_id", "id"),
        CONSTRAINT "event_account_fk" FOREIGN KEY ("account_id") REFERENCES "account" ("id") ON DELETE CASCADE
      );
      CREATE INDEX "event_outing_ix" ON "event" ("account_id", "outing");
      CREATE TABLE "outing" (
        "account_id" uuid NOT NULL, "id" uuid NOT NULL, "water" text NOT NULL, "started_at" TIMESTAMP WITH TIME ZONE NOT NULL,
        "ended_at" TIMESTAMP WITH TIME ZONE, "holes" integer NOT NULL, "line_min" double precision NOT NULL, "bites" integer NOT NULL, "fish" integer NOT NULL,
        CONSTRAINT "outing_pk" PRIMARY KEY ("account_id", "id"),
        CONSTRAINT "outing_account_fk" FOREIGN KEY ("account_id") REFERENCES "account" ("id") ON DELETE CASCADE
      );
      CREATE INDEX "outing_started_ix" ON "outing" ("account_id", "started_at");
      CREATE TABLE "fish" (
        "account_id" uuid NOT NULL, "id" uuid NOT NULL, "outing" uuid NOT NULL, "caught_at" TIMESTAMP WITH TIME ZONE NOT NULL, "species" text NOT NULL,
        "length_mm" integer NOT NULL, "weight_g" double precision, "depth_m" double precision, "fate" text,
        CONSTRAINT "fish_pk" PRIMARY KEY ("account_id", "id"),
        CONSTRAINT "fish_outing_fk" FOREIGN KEY ("account_id", "outing") REFERENCES "outing" ("account_id", "id") ON DELETE CASCADE
      );
      CREATE INDEX "fish_outing_ix" ON "fish" ("account_id", "outing");
      CREATE TABLE "water" (
        "account_id" uuid NOT NULL, "id" text NOT NULL, "name" text NOT NULL, "kind" text NOT NULL,
        "lon" double precision NOT NULL, "lat" double precision NOT NULL, "file" jsonb NOT NULL,
        CONSTRAINT "water_pk" PRIMARY KEY ("account_id", "id"),
        CONSTRAINT "water_account_fk" FOREIGN KEY ("account_id") REFERENCES "account" ("id") ON DELETE CASCADE
      );
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "water"; DROP TABLE "fish"; DROP TABLE "outing"; DROP TABLE "event"; DROP TABLE "session"; DROP TABLE "account";');
  }
}
