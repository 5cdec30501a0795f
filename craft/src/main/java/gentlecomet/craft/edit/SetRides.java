package gentlecomet.craft.edit;

import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import java.util.List;
import java.util.stream.Collectors;

/** Sets how hands move under a phrase; a ride without a point takes what was there away. @param rides at least one */
public record SetRides(List<Ride> rides) implements PatchEdit {

    public SetRides {
        rides = List.copyOf(rides);
    }

    @Override
    public Patch apply(Patch patch) {
        if (rides.isEmpty()) {
            throw new EditException("No hand has moved.");
        }
        Patch changed = patch;
        for (Ride ride : rides) {
            String fault = ride.points().isEmpty() ? null : ride.fault();
            if (fault != null) {
                throw new EditException("Ride of " + name(patch, ride.hand()) + ": " + fault + ".");
            }
            changed = changed.withRide(ride);
        }
        return changed;
    }

    /** For people: "macro 1 (Wind)". */
    static String name(Patch patch, Ride.Hand hand) {
        if (hand.macro() < 0) {
            return hand.id();
        }
        String name = patch.macros().get(hand.macro()).name();
        return "macro " + (hand.macro() + 1) + (name.isEmpty() ? "" : " (" + name + ")");
    }

    @Override
    public String label(Patch before) {
        return "Ride of " + rides.stream().map(r -> name(before, r.hand()) + (r.points().isEmpty() ? " removed" : "")).collect(Collectors.joining(", "));
    }
}
