"""The assumptions as the owner sets them, each about the shop, a family of methods, or one method."""

from monedero.core.cost.assumption import ALL, Assumption, Assumptions, Chosen, Scope, read
from monedero.core.errors import Fault, FaultCode, NotFound
from monedero.figures import assumptions
from monedero.store import Store
from monedero.work.grounds import Grounds, grounds_of


def _abouts(grounds: Grounds, assumption: Assumption) -> list[str]:
    """What an assumption can be about in this shop."""
    if assumption.scope is Scope.SHOP:
        return [ALL]
    if assumption.scope is Scope.FAMILY:
        return list(dict.fromkeys(method.family.value for method in grounds.methods.values()))
    return list(grounds.methods)


def every_assumption(store: Store) -> tuple[dict[tuple[str, str], str], list[tuple[Assumption, str]]]:
    """What the owner chose, and every assumption with what it is about."""
    grounds = grounds_of(store)
    found = [
        (assumption, about)
        for assumption in assumptions.every().values()
        for about in _abouts(grounds, assumption)
    ]
    return grounds.chosen, found


def assume(store: Store, name: str, about: str, value: str | None) -> Assumptions:
    """Set one value, or (None) go back to the default; a wrong one is refused, and nothing is changed."""
    grounds = grounds_of(store)
    assumption = assumptions.every().get(name)
    if assumption is None or about not in _abouts(grounds, assumption):
        raise NotFound(Fault(FaultCode.ASSUMPTION_UNKNOWN, "id", f"{name} {about}"))
    if value is not None:
        read(assumption, value)
    held = store.assumptions.read()
    kept = [entry for entry in (held.value.chosen if held else []) if (entry.id, entry.about) != (name, about)]
    if value is not None:
        kept.append(Chosen(id=name, about=about, value=value))
    return store.assumptions.save(Assumptions(chosen=kept), held.version if held else 0).value
