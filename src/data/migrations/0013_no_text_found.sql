-- What a new look at a page found may have no text.
ALTER TABLE `resource_proposal` MODIFY COLUMN `copy` mediumtext character set utf8mb4 collate utf8mb4_bin;