-- A signature proves itself: made with the key of the installation over the root of the day's tree. What somebody wrote, and who
-- somebody was, stand apart from what is signed, under commitments, so that they can be erased.
-- Up Migration
create table day_texts (
  commit text primary key check (commit ~ '^[0-9a-f]{64}$'),
  occasion_id uuid not null references occasions,
  -- whom it is about, when it is about somebody
  entry_id uuid,
  -- both gone once the person was erased
  salt text,
  text text
);
create index day_texts_by_entry on day_texts (entry_id);

create table day_identities (
  occasion_id uuid not null references sign_offs,
  of text not null check (of in ('entry', 'account')),
  id uuid not null,
  commit text not null references day_texts,
  primary key (occasion_id, of, id)
);

alter table sign_offs add column public_key text, add column signature text;
alter table amendments
  alter column reason drop not null,
  add column reason_commit text references day_texts,
  add column before text,
  add column signature text,
  add constraint amendments_have_reason check (reason is not null or reason_commit is not null);

-- keys of sister organisations whose signatures are believed here
create table trusted_keys (
  public_key text primary key check (public_key ~ '^[0-9a-f]{64}$'),
  name text not null check (name <> ''),
  added_by uuid not null references accounts,
  added_at timestamptz not null default now()
);

grant select, insert on day_texts to able_gauge_app;
grant select on day_identities, trusted_keys to able_gauge_app;

drop function sign_day(text, uuid, timestamptz, text, jsonb);
create function sign_day(token text, day uuid, signed_at timestamptz, head text, key text, proof text, snapshots jsonb, identities jsonb)
  returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer']);
begin
  update capture_ledger l set closed_at = now() where l.occasion_id = day and l.closed_at is null;
  if not found then
    raise exception 'the day is signed off' using errcode = '55000';
  end if;
  insert into sign_offs (occasion_id, account_id, signed_at, head, public_key, signature)
  values (day, actor.id, signed_at, head, key, proof);
  insert into verdict_snapshots (occasion_id, entry_id, standard_hash, inputs, verdict)
  select day, s.entry_id, s.standard_hash, s.inputs, s.verdict
    from jsonb_to_recordset(snapshots) s (entry_id uuid, standard_hash text, inputs jsonb, verdict jsonb);
  insert into day_identities (occasion_id, of, id, commit)
  select day, i.of, i.id, i.commit from jsonb_to_recordset(identities) i (of text, id uuid, commit text);
end $$;

drop function amend_day(text, uuid, uuid, uuid, text, text, text, bigint);
create function amend_day(token text, day uuid, amendment uuid, entry uuid, event text, as_outcome text, why_commit text, at_ms bigint, after text, proof text)
  returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer']);
begin
  insert into amendments (id, occasion_id, entry_id, event_id, outcome, reason_commit, account_id, at_ms, before, signature)
  values (amendment, day, entry, event, as_outcome, why_commit, actor.id, at_ms, after, proof);
end $$;

drop function restore_signature(text, uuid, uuid, timestamptz, text, jsonb, jsonb);
create function restore_signature(token text, day uuid, signer uuid, signed_at timestamptz, head text, key text, proof text, snapshots jsonb, identities jsonb, amended jsonb)
  returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
begin
  perform being_read_in(token, day);
  update capture_ledger l set closed_at = now() where l.occasion_id = day;
  insert into sign_offs (occasion_id, account_id, signed_at, head, public_key, signature)
  values (day, signer, signed_at, head, key, proof);
  insert into verdict_snapshots (occasion_id, entry_id, standard_hash, inputs, verdict)
  select day, s.entry_id, s.standard_hash, s.inputs, s.verdict
    from jsonb_to_recordset(snapshots) s (entry_id uuid, standard_hash text, inputs jsonb, verdict jsonb);
  insert into day_identities (occasion_id, of, id, commit)
  select day, i.of, i.id, i.commit from jsonb_to_recordset(identities) i (of text, id uuid, commit text);
  insert into amendments (id, occasion_id, entry_id, event_id, outcome, reason, reason_commit, account_id, at_ms, before, signature)
  select a.id, day, a.entry_id, a.event_id, a.outcome, a.reason, a.reason_commit, a.account_id, a.at_ms, a.before, a.signature
    from jsonb_to_recordset(amended) a (id uuid, entry_id uuid, event_id text, outcome text, reason text, reason_commit text,
                                        account_id uuid, at_ms bigint, before text, signature text);
end $$;

create function trust_key(token text, key text, called text) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role <> 'officer' then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  insert into trusted_keys (public_key, name, added_by) values (key, called, actor.id)
  on conflict (public_key) do update set name = called;
end $$;

-- takes away, in every table, what was written about the entries of a person, and who they were
create function erase_texts(token text, entry_ids uuid[]) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := live_account(token);
begin
  if actor.role <> 'officer' then
    raise exception 'not for this account' using errcode = '42501';
  end if;
  update day_texts set text = null, salt = null where entry_id = any (entry_ids);
end $$;

revoke execute on function sign_day, amend_day, restore_signature, trust_key, erase_texts from public;
grant execute on function sign_day, amend_day, restore_signature, trust_key, erase_texts to able_gauge_app;

-- Down Migration
drop function erase_texts, trust_key, restore_signature, amend_day, sign_day;
drop table trusted_keys;
delete from amendments where reason is null;
alter table amendments
  drop constraint amendments_have_reason,
  drop column signature,
  drop column before,
  drop column reason_commit,
  alter column reason set not null;
alter table sign_offs drop column signature, drop column public_key;
drop table day_identities, day_texts;
