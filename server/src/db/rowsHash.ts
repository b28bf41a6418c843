/**
 * A sum over the hashes of rows, whatever their order, as text: the database adds it up, so that a million rows take no memory.
 * @param row alias of the row
 */
export const rowsHash = (row: string): string =>
  `coalesce(sum(('x' || substr(md5(${row}::text), 1, 15))::bit(60)::bigint), 0)::text`;

/** How a session writes values as text, which is what is hashed: the same wherever it runs. */
export const plainText =
  "set time zone 'UTC'; set datestyle to iso, ymd; set intervalstyle to postgres; set bytea_output to hex; set extra_float_digits to 1";
