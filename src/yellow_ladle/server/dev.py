"""`./ladle dev`: the application on demo data, reloading the server and the client on changes."""

import os
import shutil
import subprocess
import sys
import tempfile
from pathlib import Path

from watchfiles import PythonFilter, run_process

ROOT = Path(__file__).parents[3]
API_PORT = 8751


def main() -> None:
    """Runs Vite beside the server until interrupted."""
    own = ROOT / ".venv" / "bin" / "npm"
    npm = str(own) if own.exists() else shutil.which("npm") or "npm"
    vite = subprocess.Popen([npm, "run", "dev"], cwd=ROOT / "web")
    with tempfile.TemporaryDirectory(prefix="yellow-ladle-dev-") as folder:
        print(f"The client is at the address that Vite prints; the API at port {API_PORT}.")
        command = f"{sys.executable} -m yellow_ladle demo --port {API_PORT}"
        try:
            run_process(
                ROOT / "src",
                target=f"{command} --keep {folder}/dev.sqlite",
                target_type="command",
                watch_filter=PythonFilter(extra_extensions=(".toml", ".json")),
            )
        finally:
            vite.terminate()


if __name__ == "__main__":
    os.chdir(ROOT)
    main()
