/**
 * Makes the tables of one database in another one of the same server.
 * @param connection with `multipleStatements`
 * @param {string} from the name of a database
 * @param {string} to the name of another one; what it held is gone
 * @param {string[]} filled the tables whose rows go along; none when left out
 */
export async function copyDatabase(connection, from, to, filled = []) {
  const tables = await tablesOf(connection, from);
  const statements = [];
  for (const table of tables) {
    const [[made]] = await connection.query(`SHOW CREATE TABLE ${from}.\`${table}\``);
    statements.push(made["Create Table"]);
  }
  await connection.query(
    `DROP DATABASE IF EXISTS ${to};
     CREATE DATABASE ${to} CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci;
     USE ${to}; SET foreign_key_checks = 0; ${statements.join(";\n")}`,
  );
  await copyRows(connection, from, to, filled);
}

/** Gives tables of one database the rows they have in another one, and no others. */
export async function copyRows(connection, from, to, tables) {
  if (!tables.length) return;
  const each = tables.map(
    (table) =>
      `DELETE FROM ${to}.\`${table}\`; INSERT INTO ${to}.\`${table}\` SELECT * FROM ${from}.\`${table}\``,
  );
  await connection.query(`SET foreign_key_checks = 0; ${each.join(";\n")}; SET foreign_key_checks = 1`);
}

/** The names of the tables of a database. */
export async function tablesOf(connection, name) {
  const [tables] = await connection.query(`SHOW TABLES FROM ${name}`);
  return tables.map((row) => Object.values(row)[0]);
}
