"""The assumptions as the owner sets them, each about the shop, a family of methods, or one method."""

from monedero.core.as_typed import amount_of, percent_text, quantity_text
from monedero.core.cost.assumption import ALL, Assumption, Assumptions, ChosenValue, Scope, Unit, read
from monedero.core.errors import Fault, FaultCode, InvalidInput, NotFound
from monedero.figures import assumptions, network_costs
from monedero.work.context import Context
from monedero.work.prices.inputs import CompareInputs, inputs_of


def _abouts(inputs: CompareInputs, assumption: Assumption) -> list[str]:
    """Tells what an assumption can be about in this shop."""
    if assumption.scope is Scope.SHOP:
        return [ALL]
    if assumption.scope is Scope.FAMILY:
        return list(dict.fromkeys(method.family.value for method in inputs.methods.values()))
    if assumption.scope is Scope.NETWORK:
        return [ALL, *inputs.networks]
    return list(inputs.methods)


def _known(inputs: CompareInputs) -> dict[str, Assumption]:
    """Every assumption about costs, and the costs of the card networks where some price adds them."""
    adds = any(rate.adds for card in inputs.cards for rate in card.rates)
    return {**assumptions.every(), **(network_costs.every(inputs.shop.country) if adds else {})}


def every_assumption(context: Context) -> tuple[CompareInputs, list[tuple[Assumption, str]]]:
    """Gives what assumptions rest on, and every assumption with what it is about."""
    inputs = inputs_of(context)
    found = [
        (assumption, about) for assumption in _known(inputs).values() for about in _abouts(inputs, assumption)
    ]
    return inputs, found


def as_kept(assumption: Assumption, typed: str, books: str) -> str:
    """A value as it is kept, from one as it was typed; money is in the currency of the books."""
    match assumption.unit:
        case Unit.YES_NO:
            return typed
        case Unit.PERCENT:
            return percent_text(typed)
        case Unit.MINUTES:
            return quantity_text(typed)
        case Unit.MONEY:
            return amount_of(typed, books).amount


def assume(context: Context, name: str, about: str, value: str | None) -> Assumptions:
    """Set one value, or (None) go back to the default; a wrong one is refused, and nothing is changed."""
    inputs = inputs_of(context)
    assumption = _known(inputs).get(name)
    if assumption is None or about not in _abouts(inputs, assumption):
        raise NotFound(Fault(FaultCode.ASSUMPTION_UNKNOWN, "id", f"{name} {about}"))
    if value is not None:
        try:
            value = as_kept(assumption, value, inputs.shop.currency)
        except InvalidInput as refused:
            raise InvalidInput(*(fault.at(assumption.id) for fault in refused.faults)) from refused
        read(assumption, value)
    saved = context.shop.assumptions.read()
    kept = [entry for entry in (saved.value.chosen if saved else []) if (entry.id, entry.about) != (name, about)]
    if value is not None:
        kept.append(ChosenValue(id=name, about=about, value=value))
    return context.shop.assumptions.save(Assumptions(chosen=kept), saved.version if saved else 0).value
