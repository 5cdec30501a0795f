package gentlecomet.studio.bank.desk;

/** What a step did with a patch. */
record DeskChange(long patch, Mark before, Mark after) {
}
