import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Outings by their way of fishing, with stations and casts. Events stay as they came; `migrate` builds anew what they add up to. */
export class WaysOfFishing1900000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DELETE FROM "outing";
      ALTER TABLE "outing" RENAME COLUMN "holes" TO "stations";
      ALTER TABLE "outing" ADD COLUMN "method" text NOT NULL;
      ALTER TABLE "outing" ADD COLUMN "casts" integer NOT NULL;
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      DELETE FROM "outing";
      ALTER TABLE "outing" DROP COLUMN "casts";
      ALTER TABLE "outing" DROP COLUMN "method";
      ALTER TABLE "outing" RENAME COLUMN "stations" TO "holes";
    `);
  }
}
