import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A water that was deleted stays until another takes its name, so that deleting can be undone. */
export class DeletedWaters2100000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "water" ADD COLUMN "deleted_at" timestamptz');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "water" DROP COLUMN "deleted_at"');
  }
}
