-- Most questions are about one event: they read its figures from here alone, and not those of all others.
-- Up Migration
create index event_results_by_event on event_results (event_id, result_id) include (kind, value, near_the_cut)
  where alternate_id is null and variant_id is null and not is_carried;
create index event_results_in_other_form on event_results (event_id, result_id)
  where alternate_id is not null or variant_id is not null;

-- Down Migration
drop index event_results_in_other_form, event_results_by_event;
