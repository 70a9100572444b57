import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Crews: outings that several accounts share while they are under way. */
export class Crews2400000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE "crew" (
        "id" uuid NOT NULL, "account_id" uuid NOT NULL, "outing" uuid NOT NULL, "code" text,
        "opened_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(),
        CONSTRAINT "crew_pk" PRIMARY KEY ("id"),
        CONSTRAINT "crew_account_fk" FOREIGN KEY ("account_id") REFERENCES "account" ("id") ON DELETE CASCADE
      );
      CREATE UNIQUE INDEX "crew_code_ix" ON "crew" ("code");
      CREATE TABLE "crew_member" (
        "crew_id" uuid NOT NULL, "account_id" uuid NOT NULL, "outing" uuid NOT NULL, "name" text NOT NULL,
        "joined_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(), "seen_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(),
        CONSTRAINT "crew_member_pk" PRIMARY KEY ("crew_id", "account_id"),
        CONSTRAINT "crew_member_crew_fk" FOREIGN KEY ("crew_id") REFERENCES "crew" ("id") ON DELETE CASCADE,
        CONSTRAINT "crew_member_account_fk" FOREIGN KEY ("account_id") REFERENCES "account" ("id") ON DELETE CASCADE
      );
      CREATE INDEX "crew_member_account_ix" ON "crew_member" ("account_id", "outing");
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "crew_member"; DROP TABLE "crew"`);
  }
}
