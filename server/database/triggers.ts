import type { Knex } from 'knex';

/**
 * The hash of an act by the key of whoever it is about, as SQL: SHA-256 within SHA-256, each behind the key, as HMAC is
 * made. Without the key, which is thrown away when they are erased, no guess of what was hashed can be tried.
 */
export function keyedHash(key: string, body: string): string {
  // Byte by byte: what is joined has been written in several alphabets.
  return `sha2(concat(binary ${key}, 'outer', binary sha2(concat(binary ${key}, 'inner', binary ${body}), 256)), 256)`;
}

/**
 * What the database itself does as an act is kept, by the trigger's name: it notes every act, and lets in no reading of
 * somebody who has taken back that they agree, however it comes. The one place where triggers are written as they are today.
 */
const TRIGGERS: Readonly<Record<string, string>> = {
  acts_are_noted: `after insert on acts for each row
    begin
      declare whose char(36) character set ascii collate ascii_bin;
      declare their char(44) character set ascii collate ascii_bin;
      if new.docket_id is not null then
        set whose = (select wearer_id from dockets where id = new.docket_id);
        set their = (select secret from wearer_keys where wearer_id = whose);
        if their is null then
          insert ignore into wearer_keys (wearer_id, secret) values (whose, to_base64(random_bytes(32)));
          select secret into their from wearer_keys where wearer_id = whose lock in share mode;
        end if;
      end if;
      insert into acts_noted (act_id, docket_id, muster_id, by_id, sha256)
      values (new.id, new.docket_id, new.muster_id, new.fitter_id,
        if(their is null, sha2(new.body, 256), ${keyedHash('their', 'new.body')}));
    end`,
  readings_want_consent: `before insert on acts for each row
    if new.kind = 'reading-taken' and exists (
      select 1 from dockets where dockets.id = new.docket_id and dockets.consent_withdrawn_at <= new.done_at
    ) then signal sqlstate '45000' set message_text = 'consent-withdrawn'; end if`,
};

/** Makes every trigger as it is today, also where an older one of its name stands. */
export async function makeTriggers(owner: Knex): Promise<void> {
  for (const [name, does] of Object.entries(TRIGGERS))
    await owner.raw(`create or replace trigger ${name} ${does}`);
}

/** Takes all of them away, while what was kept before is put back: it was noted then. */
export async function dropTriggers(owner: Knex): Promise<void> {
  for (const name of Object.keys(TRIGGERS)) await owner.raw(`drop trigger if exists ${name}`);
}

/** Which of them are not there. */
export async function missingTriggers(owner: Knex): Promise<string[]> {
  const [rows] = (await owner.raw('show triggers')) as [{ Trigger: string }[]];
  return Object.keys(TRIGGERS).filter((name) => rows.every((row) => row.Trigger !== name));
}
