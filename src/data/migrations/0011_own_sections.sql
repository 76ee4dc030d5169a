-- A placement's section is one of its own collection. What two movers at once left elsewhere, where no view showed it,
-- stands before the first section; in the order of its key it is one of those there.
UPDATE `placement` AS `p` LEFT JOIN `section` AS `s` ON `s`.`id` = `p`.`section` AND `s`.`collection` = `p`.`collection` SET `p`.`section` = NULL WHERE `p`.`section` IS NOT NULL AND `s`.`id` IS NULL;--> statement-breakpoint
ALTER TABLE `section` ADD CONSTRAINT `section_home` UNIQUE(`id`,`collection`);--> statement-breakpoint
ALTER TABLE `placement` ADD CONSTRAINT `placement_section_home` FOREIGN KEY (`section`,`collection`) REFERENCES `section`(`id`,`collection`) ON DELETE cascade ON UPDATE no action;