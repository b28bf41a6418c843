import type { Sequelize } from 'sequelize';
import { defineAudit } from './models/audit.ts';
import { defineJobs } from './models/jobs.ts';
import { definePapers } from './models/papers.ts';
import { definePeople } from './models/people.ts';
import { defineService } from './models/service.ts';
import { defineStock } from './models/stock.ts';

/** Sequelize's view of the tables. Migrations are the schema's only author; nothing here creates or alters a table. */

export {
  FirmRow,
  UserRow,
  SessionRow,
  InvitationRow,
  FailedTryRow,
  PasswordResetRow,
  PasskeyRow,
  PasskeyQuestionRow,
} from './models/people.ts';
export { JobRow, PartRow, PartPriceRow, PhotographRow, DeedRow } from './models/jobs.ts';
export {
  StockPlaceRow,
  StockRow,
  VanTakingRow,
  InstrumentRow,
  CalibrationRow,
} from './models/stock.ts';
export { AuditRow } from './models/audit.ts';
export { PaperRow, SealRow, PaperToRecordRow } from './models/papers.ts';
export {
  DuesRow,
  LetterRow,
  ReadingRow,
  FeedRow,
  HouseholdPageRow,
  HouseholdWordRow,
} from './models/service.ts';

/** Binds the models to one connection. */
export function defineModels(sequelize: Sequelize): void {
  definePeople(sequelize);
  defineJobs(sequelize);
  defineStock(sequelize);
  definePapers(sequelize);
  defineService(sequelize);
  defineAudit(sequelize);
}
