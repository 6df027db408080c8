"""The costs of a route besides its fee, as the terms of a month: each part is a line, and linear in the fee.

Source: own design.

>>> from monedero.core.cost.assumed import Assumed
>>> terms_of(OtherCosts(assumed=Assumed(), days=Fraction(0)), completes=Fraction(1)) == RouteTerms()
True
"""

from fractions import Fraction

from monedero.core.best_set.demand import RouteTerms
from monedero.core.columns.level import ZERO
from monedero.core.cost.all_in import OtherCosts, parts_of
from monedero.core.ratecard.linear import NOTHING, Linear, total


def terms_of(other_costs: OtherCosts, completes: Fraction) -> RouteTerms:
    """The terms of a route; `completes` is the share of orders that is finished. A share of the plan's month is in it
    only where the other costs have one.
    """
    one = Linear(ZERO, Fraction(1))
    alone, by_fee, by_return = (
        _line(*pair, other_costs) for pair in ((NOTHING, NOTHING), (one, NOTHING), (NOTHING, one))
    )
    # A refund returns nothing, the percentages, or all of the fee.
    returns, back = other_costs.events.refund_returns, by_return.intercept - alone.intercept
    return RouteTerms(
        slope=alone.slope,
        intercept=alone.intercept,
        by_fee=by_fee.intercept - alone.intercept + (back if returns == "all" else ZERO),
        by_returned=back if returns == "percent" else ZERO,
        completes=completes,
        lost_order=other_costs.assumed.lost_order,
    )


def _line(fee: Linear, returned: Linear, other_costs: OtherCosts) -> Linear:
    return total(line for _, line in parts_of(fee, returned, other_costs))
