package gentlecomet.craft.format;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Ride;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** How hands move under phrases, as JSON: a list under "rides", left out where there is none. It is no part of a patch's sound. */
final class RideFormat {

    /** Rides of a patch at the most. */
    static final int MOST = 200;
    static final int LONGEST_PHRASE_ID = 60;
    private static final Set<String> FIELDS = Set.of("phrase", "hand", "points");

    private RideFormat() {
    }

    static void write(Patch patch, ObjectNode root) {
        if (patch.rides().isEmpty()) {
            return;
        }
        ArrayNode rides = root.putArray("rides");
        for (Ride ride : patch.rides()) {
            ObjectNode node = rides.addObject();
            node.put("phrase", ride.phrase());
            node.put("hand", ride.hand().id());
            ArrayNode points = node.putArray("points");
            for (Ride.Point p : ride.points()) {
                ArrayNode point = points.addArray();
                Json.add(point, p.beat());
                Json.add(point, p.value());
            }
        }
    }

    static Patch read(Patch start, ObjectNode root, String place) {
        Patch patch = start;
        Set<String> known = new HashSet<>();
        for (JsonNode node : Json.list(root, "rides", place)) {
            String here = place + ".rides[" + known.size() + "]";
            if (!(node instanceof ObjectNode object)) {
                throw new FormatException(here, "expected an object { … }");
            }
            Json.allowOnly(object, here, FIELDS);
            Ride.Hand hand = Ride.Hand.find(Json.text(object, "hand", here, 20));
            String phrase = Json.text(object, "phrase", here, LONGEST_PHRASE_ID);
            if (hand == null || phrase.isBlank()) {
                throw new FormatException(here, "expected a phrase and a hand: macro1 to macro8, wheel, pressure or bend");
            }
            Ride ride = new Ride(phrase, hand, points(object, here));
            if (ride.fault() != null) {
                throw new FormatException(here + ".points", ride.fault());
            }
            if (!known.add(phrase + " " + hand) || known.size() > MOST) {
                throw new FormatException(here, "expected each hand once under a phrase, and at most " + MOST + " rides");
            }
            patch = patch.withRide(ride);
        }
        return patch;
    }

    private static List<Ride.Point> points(ObjectNode ride, String here) {
        List<Ride.Point> points = new ArrayList<>();
        for (JsonNode node : Json.list(ride, "points", here)) {
            if (!node.isArray() || node.size() != 2 || points.size() > Ride.MOST_POINTS) {
                throw new FormatException(here + ".points", "expected up to " + Ride.MOST_POINTS + " rows of a beat and a value");
            }
            points.add(new Ride.Point(Json.number(node.get(0), here + ".points"), Json.number(node.get(1), here + ".points")));
        }
        return points;
    }
}
