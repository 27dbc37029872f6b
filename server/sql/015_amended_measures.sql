-- An amendment states a word or the right measure. Older ones keep their word, and what was signed of them.
-- Up Migration
alter table amendments
  alter column outcome drop not null,
  add column stated integer,
  add constraint amendments_rule_once check ((outcome is null) <> (stated is null));

drop function amend_day(text, uuid, uuid, uuid, text, text, text, bigint, text, text);
create function amend_day(token text, day uuid, amendment uuid, entry uuid, event text, as_outcome text, as_measure integer, why_commit text, at_ms bigint, after text, proof text)
  returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer']);
begin
  insert into amendments (id, occasion_id, entry_id, event_id, outcome, stated, reason_commit, account_id, at_ms, before, signature)
  values (amendment, day, entry, event, as_outcome, as_measure, why_commit, actor.id, at_ms, after, proof);
end $$;
revoke execute on function amend_day from public;
grant execute on function amend_day to able_gauge_app;

create or replace function restore_signature(token text, day uuid, signer uuid, signed_at timestamptz, head text, key text, proof text, snapshots jsonb, identities jsonb, amended jsonb)
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
  insert into amendments (id, occasion_id, entry_id, event_id, outcome, stated, reason, reason_commit, account_id, at_ms, before, signature)
  select a.id, day, a.entry_id, a.event_id, a.outcome, a.stated, a.reason, a.reason_commit, a.account_id, a.at_ms, a.before, a.signature
    from jsonb_to_recordset(amended) a (id uuid, entry_id uuid, event_id text, outcome text, stated integer, reason text, reason_commit text,
                                        account_id uuid, at_ms bigint, before text, signature text);
end $$;

-- Down Migration
delete from amendments where outcome is null;
drop function amend_day(text, uuid, uuid, uuid, text, text, integer, text, bigint, text, text);
create function amend_day(token text, day uuid, amendment uuid, entry uuid, event text, as_outcome text, why_commit text, at_ms bigint, after text, proof text)
  returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
declare
  actor accounts := staff_account(token, day, array['officer']);
begin
  insert into amendments (id, occasion_id, entry_id, event_id, outcome, reason_commit, account_id, at_ms, before, signature)
  values (amendment, day, entry, event, as_outcome, why_commit, actor.id, at_ms, after, proof);
end $$;
revoke execute on function amend_day from public;
grant execute on function amend_day to able_gauge_app;

create or replace function restore_signature(token text, day uuid, signer uuid, signed_at timestamptz, head text, key text, proof text, snapshots jsonb, identities jsonb, amended jsonb)
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

alter table amendments
  drop constraint amendments_rule_once,
  drop column stated,
  alter column outcome set not null;
