package gentlecomet.studio.listening.say;

/** Somebody who listens, by the name that stands beside what was said. */
public record Reviewer(long id, String name) {
}
