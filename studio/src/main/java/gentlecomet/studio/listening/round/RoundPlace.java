package gentlecomet.studio.listening.round;

import gentlecomet.studio.listening.heard.HeardSound;

/**
 * A place of a round.
 *
 * @param heard what is heard there, as it stood when the round began
 * @param rival what it is held against, null for nothing
 */
public record RoundPlace(int place, HeardSound heard, HeardSound rival) {
}
