-- A planned make is a planned batch; what is done at it are its tasks; a step of it that is made to last longer has an extension.
ALTER TABLE planned_pour RENAME TO planned_batch;
UPDATE planned_batch SET body = json_remove(
  json_set(body, '$.tasks', json_extract(body, '$.hands'), '$.extension', json_extract(body, '$.held')),
  '$.hands',
  '$.held'
);
