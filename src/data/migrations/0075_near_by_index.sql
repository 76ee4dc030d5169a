-- Pages and subjects of public collections are in the index of words, too: all are read into it anew, by and by.
INSERT INTO `reindex_queue` (`id`, `resource`, `team`)
SELECT UUID(), `collection`, '00000000-0000-0000-0000-000000000000' FROM `listing` WHERE `content` IS NOT NULL;
