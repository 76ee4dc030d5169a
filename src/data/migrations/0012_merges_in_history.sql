-- A merge is taken back by the history like everything else; those made before stay as they are.
DROP TABLE `duplicate_merge`;