import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Pictures of fish, beside the ledger that names them. */
export class Photos2300000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE "photo" (
        "account_id" uuid NOT NULL, "id" uuid NOT NULL, "jpeg" bytea NOT NULL, "received_at" TIMESTAMP WITH TIME ZONE NOT NULL DEFAULT now(),
        CONSTRAINT "photo_pk" PRIMARY KEY ("account_id", "id"),
        CONSTRAINT "photo_account_fk" FOREIGN KEY ("account_id") REFERENCES "account" ("id") ON DELETE CASCADE
      );
    `);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE "photo"`);
  }
}
