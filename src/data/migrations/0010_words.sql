-- Tables and columns by the words of the field; the data stays.
RENAME TABLE `deed` TO `history_entry`, `kept_search` TO `saved_search`, `kept_count` TO `cached_count`, `term_due` TO `reindex_queue`, `intake` TO `import`, `intake_part` TO `import_part`, `twin_apart` TO `duplicate_apart`, `twin_merge` TO `duplicate_merge`;--> statement-breakpoint
ALTER TABLE `duplicate_merge` RENAME INDEX `twin_merge_team` TO `duplicate_merge_team`;--> statement-breakpoint
ALTER TABLE `resource` RENAME COLUMN `twin_of` TO `duplicate_of`, RENAME INDEX `resource_twin` TO `resource_duplicate`;--> statement-breakpoint
ALTER TABLE `history_entry` RENAME INDEX `deed_own` TO `history_entry_own`;--> statement-breakpoint
ALTER TABLE `saved_search` DROP FOREIGN KEY `kept_search_team_team_id_fk`, RENAME INDEX `kept_search_own` TO `saved_search_own`;--> statement-breakpoint
ALTER TABLE `saved_search` ADD CONSTRAINT `saved_search_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `cached_count` DROP FOREIGN KEY `kept_count_team_team_id_fk`;--> statement-breakpoint
ALTER TABLE `cached_count` ADD CONSTRAINT `cached_count_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `reindex_queue` RENAME INDEX `term_due_team` TO `reindex_queue_team`;--> statement-breakpoint
ALTER TABLE `import_part` DROP FOREIGN KEY `intake_part_intake_intake_id_fk`;--> statement-breakpoint
ALTER TABLE `import` DROP FOREIGN KEY `intake_team_team_id_fk`, RENAME INDEX `intake_team` TO `import_team`;--> statement-breakpoint
ALTER TABLE `import` ADD CONSTRAINT `import_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `import_part` RENAME COLUMN `intake` TO `import`, RENAME INDEX `intake_part_next` TO `import_part_next`;--> statement-breakpoint
ALTER TABLE `import_part` ADD CONSTRAINT `import_part_import_import_id_fk` FOREIGN KEY (`import`) REFERENCES `import`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
UPDATE `history_entry` SET `changes` = REPLACE(REPLACE(REPLACE(REPLACE(`changes`, '"thing":', '"type":'), '"type":"tagging"', '"type":"resourceTag"'), '"type":"about"', '"type":"collectionTag"'), '"type":"tray"', '"type":"trayEntry"');--> statement-breakpoint
UPDATE `event` SET `verb` = CONCAT('imports.', SUBSTRING(`verb`, 9)) WHERE `verb` LIKE 'intakes.%';--> statement-breakpoint
UPDATE `event` SET `verb` = CONCAT('messages.', SUBSTRING(`verb`, 6)) WHERE `verb` LIKE 'mail.%';--> statement-breakpoint
UPDATE `job` SET `kind` = CONCAT('imports.', SUBSTRING(`kind`, 8)), `unique_key` = CONCAT('import', SUBSTRING(`unique_key`, 7)), `payload` = JSON_OBJECT('import', JSON_VALUE(`payload`, '$.intake')) WHERE `kind` LIKE 'intake.%';--> statement-breakpoint
UPDATE `job` SET `kind` = 'messages.send' WHERE `kind` = 'mail.send';--> statement-breakpoint
UPDATE `job` SET `kind` = 'messages.take-in', `unique_key` = CONCAT('messages.take-in', SUBSTRING(`unique_key`, 10)) WHERE `kind` = 'mail.take';
