-- That something is marked is a term of the index: what has been marked is read into it anew, by and by.
INSERT INTO `reindex_queue` (`id`, `resource`, `team`)
SELECT UUID(), `resource`, `team` FROM `mark` WHERE `deleted_at` IS NULL GROUP BY `resource`, `team`;
