import { bareJpeg, FormatError } from '@burrow/contract/formats';
import type { DataSource } from 'typeorm';
import { Photo } from '../entities';
import { ProblemError } from '../problem';

/** Pictures kept of one account: the fish of a life, and no store for anything else. */
const mostPhotos = 5000;

/** Pictures of fish: kept as they came but for what they say of where and by what they were taken. */
export class Photos {
  constructor(private readonly db: DataSource) {}

  /** Keeps a picture; one that is there already stays. Throws a 400 problem for what is no JPEG, 409 where there is no room for more. */
  async keep(accountId: string, id: string, bytes: Uint8Array): Promise<void> {
    const jpeg = Buffer.from(bare(bytes));
    const photos = this.db.getRepository(Photo);
    if ((await photos.countBy({ accountId })) >= mostPhotos && !(await photos.existsBy({ accountId, id })))
      throw new ProblemError(409, 'No room', `expected at most ${mostPhotos} pictures of an account, found more`);
    await photos.createQueryBuilder().insert().values({ accountId, id, jpeg }).orIgnore().execute();
  }

  /** A picture. Throws a 404 problem for one that is not there. */
  async of(accountId: string, id: string): Promise<Buffer> {
    const photo = await this.db.getRepository(Photo).findOneBy({ accountId, id });
    if (!photo) throw new ProblemError(404, 'No such picture', `expected one of your pictures, found "${id}"`);
    return photo.jpeg;
  }

  /** Ids of all pictures of an account. */
  async ids(accountId: string): Promise<string[]> {
    return (await this.db.getRepository(Photo).find({ select: { accountId: true, id: true }, where: { accountId }, order: { id: 'ASC' } })).map((p) => p.id);
  }
}

function bare(bytes: Uint8Array): Uint8Array {
  try {
    return bareJpeg(bytes);
  } catch (error) {
    if (error instanceof FormatError) throw new ProblemError(400, 'Bad request', error.message);
    throw error;
  }
}
