import type { StockPlaceKind, VanLine } from '@katharos/core';
import type { Calibration, Instrument } from '@katharos/job';
import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type Sequelize,
} from 'sequelize';
import { firmId, id, json, options, required, text } from './columns.ts';

/** Vans and stores with what they hold, and the instruments. */

export class StockPlaceRow extends Model<
  InferAttributes<StockPlaceRow>,
  InferCreationAttributes<StockPlaceRow>
> {
  declare firmId: string;
  declare id: CreationOptional<string>;
  declare kind: StockPlaceKind;
  declare name: string;
  /** Whose van it is. */
  declare userId: CreationOptional<string | null>;
}

export class StockRow extends Model<InferAttributes<StockRow>, InferCreationAttributes<StockRow>> {
  declare firmId: string;
  declare placeId: string;
  declare partId: string;
  declare quantity: number;
  declare minimum: CreationOptional<number>;
}

export class VanTakingRow extends Model<
  InferAttributes<VanTakingRow>,
  InferCreationAttributes<VanTakingRow>
> {
  declare firmId: string;
  declare jobId: string;
  declare placeId: string;
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
  StockPlaceRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      id: id(),
      kind: text(),
      name: text(),
      userId: DataTypes.UUID,
    },
    { ...options, sequelize, tableName: 'stock_places' },
  );
  StockRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      placeId: { type: DataTypes.UUID, primaryKey: true },
      partId: { type: DataTypes.TEXT, primaryKey: true },
      quantity: required(DataTypes.DOUBLE),
      minimum: { ...required(DataTypes.DOUBLE), defaultValue: 0 },
    },
    { ...options, sequelize, tableName: 'stock' },
  );
  VanTakingRow.init(
    {
      firmId: { ...firmId(), primaryKey: true },
      jobId: { type: DataTypes.UUID, primaryKey: true },
      placeId: required(DataTypes.UUID),
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
