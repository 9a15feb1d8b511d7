-- Whether a metal is cut dry is a fact of its own; until now it stood in the words for its fluid.
UPDATE `materials` SET `material` = json_set(`material`, '$.runsDry', json(CASE WHEN json_extract(`material`, '$.lubricant') LIKE 'dry%' THEN 'true' ELSE 'false' END)) WHERE json_extract(`material`, '$.runsDry') IS NULL;
