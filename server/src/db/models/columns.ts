import { type AbstractDataTypeConstructor, DataTypes } from 'sequelize';

/** Kinds of columns. Sequelize writes the column's name into the definition it is given, so every column is made anew. */
export const required = <T extends AbstractDataTypeConstructor>(type: T) => ({
  type,
  allowNull: false,
});
export const id = () => ({
  type: DataTypes.UUID,
  primaryKey: true,
  defaultValue: DataTypes.UUIDV4,
});
export const firmId = () => required(DataTypes.UUID);
export const text = () => required(DataTypes.TEXT);
export const json = () => required(DataTypes.JSONB);
export const integer = () => required(DataTypes.INTEGER);

/** What holds for every table: its columns are written with underscores, and no times are kept unasked. */
export const options = { underscored: true, timestamps: false } as const;
