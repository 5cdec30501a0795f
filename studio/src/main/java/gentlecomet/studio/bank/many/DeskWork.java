package gentlecomet.studio.bank.many;

import gentlecomet.studio.bank.desk.Desk;
import gentlecomet.studio.bank.desk.StepProgress;
import gentlecomet.studio.collection.Collections;
import gentlecomet.studio.page.RefusedException;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Does what a form of the desk asks for: the same plan that was looked at, made anew on what is there now. */
@Service
class DeskWork {

    private final Plans plans;
    private final Desk desk;
    private final Collections collections;

    DeskWork(Plans plans, Desk desk, Collections collections) {
        this.plans = plans;
        this.desk = desk;
        this.collections = collections;
    }

    /** Changes nothing. */
    @Transactional
    public Plan preview(long bankId, DeskForm form) {
        return plans.of(bankId, form);
    }

    /** @throws RefusedException where nothing of it can be done, or it was stopped */
    @Transactional
    public Desk.Outcome perform(long bankId, DeskForm form, StepProgress progress) {
        Plan plan = plans.of(bankId, form);
        List<String> left = new ArrayList<>(plan.lines().stream().filter(Plan.Line::left).map(l -> "\"" + l.name() + "\" stays as it is: " + l.remark()).toList());
        if (!left.isEmpty() && left.size() == plan.lines().size()) {
            throw new RefusedException(plan.lines().get(0).remark(), field(form.what()));
        }
        Desk.Outcome done = desk.perform(collections.ofBank(bankId).id(), plan.label(), plan.deeds(), progress);
        left.addAll(done.left());
        return new Desk.Outcome(done.id(), plan.label(), done.changed(), left);
    }

    private static String field(String what) {
        return switch (what) {
            case "rename" -> "name";
            case "categorise" -> "category";
            default -> "text";
        };
    }
}
