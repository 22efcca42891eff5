// What saving a reading is held against: Express and one insert by mysql2, and nothing else.
import express from 'express';
import { createPool } from 'mysql2/promise';

const pool = createPool({ uri: process.env.DATABASE_URL, connectionLimit: 12 });
await pool.query(`create table if not exists bare_readings (
  place bigint unsigned not null auto_increment primary key,
  id char(36) character set ascii collate ascii_bin not null unique,
  docket_id char(36) character set ascii collate ascii_bin not null,
  body json not null,
  at datetime(3) not null,
  index (docket_id, place)
) engine=InnoDB character set utf8mb4`);

const app = express();
app.use(express.json());
app.post('/readings', async (request, response) => {
  const { id, docketId, at, ...body } = request.body;
  const [{ insertId }] = await pool.execute(
    'insert into bare_readings (id, docket_id, body, at) values (?, ?, ?, ?)',
    [id, docketId, JSON.stringify(body), new Date(at)],
  );
  response.json({ place: insertId });
});
const server = app.listen(0, '127.0.0.1', () => process.send({ port: server.address().port }));
process.on('disconnect', () => process.exit(0));
