import { EntitySchema } from 'typeorm';

/** An outing that several accounts share while it is under way. */
export interface CrewRow {
  id: string;
  /** Who opened it, and with which outing. */
  accountId: string;
  outing: string;
  /** By which others come in; null once nobody more may. */
  code: string | null;
  openedAt: Date;
}

export const Crew = new EntitySchema<CrewRow>({
  name: 'Crew',
  tableName: 'crew',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'crew_pk' },
    accountId: { type: 'uuid', name: 'account_id' },
    outing: { type: 'uuid' },
    code: { type: 'text', nullable: true },
    openedAt: { type: 'timestamptz', name: 'opened_at', default: () => 'now()' },
  },
  indices: [{ name: 'crew_code_ix', columns: ['code'], unique: true }],
  foreignKeys: [{ name: 'crew_account_fk', target: 'Account', columnNames: ['accountId'], referencedColumnNames: ['id'], onDelete: 'CASCADE' }],
});

/** One of a crew with the outing that is shared. */
export interface CrewMemberRow {
  crewId: string;
  accountId: string;
  outing: string;
  name: string;
  joinedAt: Date;
  /** When a phone of the account last exchanged entries. */
  seenAt: Date;
}

export const CrewMember = new EntitySchema<CrewMemberRow>({
  name: 'CrewMember',
  tableName: 'crew_member',
  columns: {
    crewId: { type: 'uuid', name: 'crew_id', primary: true, primaryKeyConstraintName: 'crew_member_pk' },
    accountId: { type: 'uuid', name: 'account_id', primary: true, primaryKeyConstraintName: 'crew_member_pk' },
    outing: { type: 'uuid' },
    name: { type: 'text' },
    joinedAt: { type: 'timestamptz', name: 'joined_at', default: () => 'now()' },
    seenAt: { type: 'timestamptz', name: 'seen_at', default: () => 'now()' },
  },
  indices: [{ name: 'crew_member_account_ix', columns: ['accountId', 'outing'] }],
  foreignKeys: [
    { name: 'crew_member_crew_fk', target: 'Crew', columnNames: ['crewId'], referencedColumnNames: ['id'], onDelete: 'CASCADE' },
    { name: 'crew_member_account_fk', target: 'Account', columnNames: ['accountId'], referencedColumnNames: ['id'], onDelete: 'CASCADE' },
  ],
});
