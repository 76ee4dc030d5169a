-- What is in somebody's own Tray, or in a message to them, is told to them alone.
ALTER TABLE `event` ADD `only_for` uuid;