import type { VanLine } from '@katharos/core';
import type { Calibration, Instrument } from '@katharos/job';
import {
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';
import { firmId, json, options, required, text } from './columns.ts';

/** The van and the instruments. */

export class VanStockRow extends Model<
  InferAttributes<VanStockRow>,
  InferCreationAttributes<VanStockRow>
> {
  declare firmId: string;
  declare partId: string;
  declare quantity: number;
}

export class VanTakingRow extends Model<
  InferAttributes<VanTakingRow>,
  InferCreationAttributes<VanTakingRow>
> {
  declare firmId: string;
  declare jobId: string;
  declare lines: VanLine[];
  declare takenAt: Date;
  declare takenBy: string;
}

export class InstrumentRow extends Model<
  InferAttributes<InstrumentRow>,
  InferCreationAttributes<InstrumentRow>
> {
  declare firmId: string;
  declare instrumentId: string;
  declare instrument: Instrument;
}

/** A look at an instrument with something known; never changed. */
export class CalibrationRow extends Model<
  InferAttributes<CalibrationRow>,
  InferCreationAttributes<CalibrationRow>
> {
  declare firmId: string;
  declare calibrationId: string;
  declare instrumentId: string;
  declare calibration: Calibration;
  declare by: string;
  declare notedAt: Date;
}

export function defineStock(sequelize: Sequelize): void {
  VanStockRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      partId: { type: DataTypes.TEXT, primaryKey: true },
      quantity: required(DataTypes.DOUBLE),
    },
    { ...options, sequelize, tableName: 'van_stock' },
  );
  VanTakingRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      jobId: { type: DataTypes.UUID, primaryKey: true },
      lines: json(),
      takenAt: required(DataTypes.DATE),
      takenBy: text(),
    },
    { ...options, sequelize, tableName: 'van_takings' },
  );
  InstrumentRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      instrumentId: { type: DataTypes.UUID, primaryKey: true },
      instrument: json(),
    },
    { ...options, sequelize, tableName: 'instruments' },
  );
  CalibrationRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      calibrationId: { type: DataTypes.UUID, primaryKey: true },
      instrumentId: required(DataTypes.UUID),
      calibration: json(),
      by: text(),
      notedAt: required(DataTypes.DATE),
    },
    { ...options, sequelize, tableName: 'calibrations' },
  );
}
