"""`make contract` as the README has it: the example on a port of its own is held to the contract, twice in a row."""

import json
import os
import subprocess
import sys

from tests.browser.server import listening
from tests.contract.test_gateway import ROOT, example_module


def test_the_example_that_runs_outside_keeps_the_contract_twice_in_a_row() -> None:
    module = example_module()
    with listening(module.app) as address:
        fields = json.dumps({"key": module.KEY})
        environment = {**os.environ, "MONEDERO_GATEWAY": address, "MONEDERO_GATEWAY_FIELDS": fields}
        environment.pop("PYTEST_XDIST_WORKER", None)
        command = [
            sys.executable,
            "-m",
            "pytest",
            "tests/contract/test_gateway.py",
            "-k",
            "outside",
            "-p",
            "no:cacheprovider",
        ]
        for _ in range(2):
            run = subprocess.run(
                command, cwd=ROOT, env=environment, capture_output=True, text=True, timeout=180, check=False
            )
            assert run.returncode == 0, run.stdout[-3000:]
