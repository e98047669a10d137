package dev.restis.core.order;

import java.util.EnumSet;
import java.util.Set;

/** The rules of an order's life. */
public final class OrderLife {

    private OrderLife() {}

    /** Where an order stands. An accepted order without pieces stands as accepted. */
    public static OrderState state(OrderStage stage, OrderProgress progress) {
        return switch (stage) {
            case DRAFT -> OrderState.DRAFT;
            case QUOTED -> OrderState.QUOTED;
            case CANCELLED -> OrderState.CANCELLED;
            case ACCEPTED -> accepted(progress);
        };
    }

    private static OrderState accepted(OrderProgress p) {
        if (p.pieces() == 0) {
            // All of it went from the shelf to others.
            return OrderState.DISPATCHED;
        }
        if (p.planned() == 0) {
            return OrderState.ACCEPTED;
        }
        if (p.dispatched() == p.pieces()) {
            return OrderState.DISPATCHED;
        }
        if (p.made() == p.pieces()) {
            return OrderState.FINISHED;
        }
        if (p.cut() == p.pieces()) {
            return OrderState.MAKING;
        }
        return p.cut() > 0 ? OrderState.CUTTING : OrderState.PLANNED;
    }

    /**
     * What may be done now. As long as nothing is begun, all can be given up, and what was cut goes back on the shelf; what
     * has gone out stays as it is.
     */
    public static Set<OrderAct> allowed(OrderStage stage, OrderProgress p) {
        EnumSet<OrderAct> acts = EnumSet.noneOf(OrderAct.class);
        switch (stage) {
            case DRAFT ->
                acts.addAll(EnumSet.of(
                        OrderAct.CHANGE_PIECES,
                        OrderAct.CHANGE_HEAD,
                        OrderAct.QUOTE,
                        OrderAct.ACCEPT,
                        OrderAct.CANCEL));
            case QUOTED ->
                acts.addAll(EnumSet.of(OrderAct.CHANGE_HEAD, OrderAct.REOPEN, OrderAct.ACCEPT, OrderAct.CANCEL));
            case CANCELLED -> acts.add(OrderAct.REVIVE);
            case ACCEPTED -> {
                if (p.dispatched() < p.pieces() || p.pieces() == 0) {
                    acts.add(OrderAct.CHANGE_HEAD);
                    acts.add(OrderAct.CHANGE_PIECES);
                }
                if (p.planned() < p.pieces()) {
                    acts.add(OrderAct.PLAN);
                }
                if (p.begun() == 0) {
                    acts.add(OrderAct.CANCEL);
                }
                if (p.cut() > 0 && p.cut() < p.pieces()) {
                    acts.add(OrderAct.CANCEL_REST);
                }
                if (p.made() < p.cut()) {
                    acts.add(OrderAct.FINISH);
                }
                if (p.dispatched() < p.made()) {
                    acts.add(OrderAct.DISPATCH);
                }
            }
        }
        return acts;
    }

    /** The stage after an act that moves it; the same where it only moves pieces. */
    public static OrderStage after(OrderStage stage, OrderAct act) {
        return switch (act) {
            case QUOTE -> OrderStage.QUOTED;
            case REOPEN, REVIVE -> OrderStage.DRAFT;
            case ACCEPT -> OrderStage.ACCEPTED;
            case CANCEL -> OrderStage.CANCELLED;
            case CHANGE_PIECES, CHANGE_HEAD, PLAN, FINISH, DISPATCH, CANCEL_REST -> stage;
        };
    }
}
