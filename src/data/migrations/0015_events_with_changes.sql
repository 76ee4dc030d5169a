-- What an event stands for, before and after, so that a history can be gone through backwards.
ALTER TABLE `event` ADD `changes` mediumtext character set utf8mb4 collate utf8mb4_bin;