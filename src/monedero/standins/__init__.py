"""Outside services that ship with Monedero as small simulated stand-ins."""
