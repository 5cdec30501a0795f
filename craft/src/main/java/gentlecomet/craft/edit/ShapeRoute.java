package gentlecomet.craft.edit;

import gentlecomet.craft.format.PatchRules;
import gentlecomet.sound.patch.Modulator;
import gentlecomet.sound.patch.Patch;
import gentlecomet.sound.patch.Route;
import java.util.ArrayList;
import java.util.List;

/**
 * Changes how a route takes its modulator: side, bend, limits and the second modulator that scales it.
 *
 * @param route       counted from 0
 * @param bendPercent -100 to 100
 * @param lowPercent  least modulation
 * @param highPercent greatest modulation
 * @param scaler      or null
 */
public record ShapeRoute(int route, Route.Side side, double bendPercent, double lowPercent, double highPercent, Modulator scaler)
        implements PatchEdit {

    @Override
    public Patch apply(Patch patch) {
        Route old = PatchEdit.routeAt(patch, route);
        List<Route> routes = new ArrayList<>(patch.routes());
        routes.set(route, PatchEdit.checked(new Route(old.source(), old.target(), old.depth(), side, bendPercent / 100, lowPercent / 100,
                highPercent / 100, scaler)));
        return patch.withRoutes(routes);
    }

    @Override
    public String label(Patch before) {
        Route r = PatchEdit.routeAt(before, route);
        return "Route " + r.source().label() + " to " + PatchRules.name(r.target()) + " shaped";
    }
}
