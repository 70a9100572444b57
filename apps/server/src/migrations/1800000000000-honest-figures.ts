import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Fish without a measured length, one fish id in two outings, and waters that know which version a change was made to. */
export class HonestFigures1800000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE "fish" ALTER COLUMN "length_mm" DROP NOT NULL;
      ALTER TABLE "fish" DROP CONSTRAINT "fish_pk";
      ALTER TABLE "fish" ADD CONSTRAINT "fish_pk" PRIMARY KEY ("account_id", "outing", "id");
      DROP INDEX "fish_outing_ix";
      CREATE INDEX "fish_id_ix" ON "fish" ("account_id", "id");
      ALTER TABLE "water" ADD COLUMN "version" integer NOT NULL DEFAULT '1';
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
      ALTER TABLE "water" DROP COLUMN "version";
      DROP INDEX "fish_id_ix";
      CREATE INDEX "fish_outing_ix" ON "fish" ("account_id", "outing");
      ALTER TABLE "fish" DROP CONSTRAINT "fish_pk";
      DELETE FROM "fish" a USING "fish" b WHERE a.account_id = b.account_id AND a.id = b.id AND a.outing > b.outing;
      ALTER TABLE "fish" ADD CONSTRAINT "fish_pk" PRIMARY KEY ("account_id", "id");
      DELETE FROM "fish" WHERE "length_mm" IS NULL;
      ALTER TABLE "fish" ALTER COLUMN "length_mm" SET NOT NULL;
    `);
  }
}
