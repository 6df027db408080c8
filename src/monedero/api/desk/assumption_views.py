"""An assumption as the desk reads it: its value, what it is about, and where its default comes from."""

from monedero.api.desk.compare_schemas import AssumptionOut
from monedero.core.cost.assumption import ALL, Assumption, Scope, value_of
from monedero.wording.catalogue import say
from monedero.work.prices.inputs import CompareInputs


def assumption_out(assumption: Assumption, where: str, inputs: CompareInputs) -> AssumptionOut:
    """An assumption as it holds for a family, a method or the shop, with where its default comes from."""
    value = value_of(assumption, where, inputs.chosen)
    method = inputs.methods.get(where) if assumption.scope is Scope.METHOD else None
    return AssumptionOut(
        id=assumption.id,
        about=where,
        about_name=method.name if method else say("whole-shop") if where == ALL else where.replace("-", " "),
        name=assumption.name,
        unit=assumption.unit,
        value=value,
        typed=(assumption.id, where) in inputs.chosen,
        source=assumption.source,
    )
