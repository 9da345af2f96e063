#!/usr/bin/python3
"""A file of every room of the house that includes what it may not must not find it.

usage: include_check.py SOURCE ROOTS COMPILER
ROOTS holds one file for each target, which lists the folders it is given for its includes, one a line.
"""
import pathlib
import subprocess
import sys

# What each room may use, said once more by hand: what the build gives it is held against this.
CORE = {
    "base": "", "settings": "base", "colour": "base", "image": "colour", "table": "colour", "table_files": "table image",
    "look": "colour table", "engine": "look image table_files", "measure": "image", "analysis": "area display page", "page": "base", "library": "look image",
    "display": "engine", "optics": "image",
    "area": "engine measure", "frame": "area optics", "balance": "frame", "match": "balance engine", "proof": "balance engine",
    "job": "look balance proof", "report": "job proof analysis page", "handover": "engine job",
    "retouch": "handover analysis", "log": "job engine page", "route": "job", "practice": "look measure",
}
APP = {
    "base": ["theme", "task", "words", "settings", "shortcuts", "display"], "render": ["render"], "document": ["document"],
    "views": ["wall", "screen", "stepline", "instruments", "variants", "library", "intent", "findings", "bench", "plan", "pins", "palette", "guide"],
    "shoot": ["places/shoot"], "balance": ["places/balance"], "look": ["places/look"], "match": ["places/match"],
    "proof": ["places/proof"], "handover": ["places/handover"], "log": ["places/log"], "practice": ["places/practice"], "shell": ["shell"],
}
PLACES = ["shoot", "balance", "look", "match", "proof", "handover", "log", "practice"]
LAYERS = {"base": [], "render": ["base"], "document": ["render"], "views": ["document"],
          **{place: ["views"] for place in PLACES}, "shell": PLACES}


def closure(of, uses):
    seen = {of}
    for used in uses[of]:
        seen |= closure(used, uses)
    return seen


def found_by(compiler, roots, headers):
    """Those of the headers that a file of the room can include, as the compiler itself sees it."""
    asked = "".join(f'#if __has_include("{header}")\nfound {header}\n#endif\n' for header in headers)
    command = [compiler, "-std=c++20", "-E", "-P", "-x", "c++", "-"] + [f"-I{root}" for root in roots]
    done = subprocess.run(command, input=asked, capture_output=True, text=True, check=True, cwd=roots[0])
    return {line.removeprefix("found ").replace(" ", "") for line in done.stdout.splitlines() if line.startswith("found ")}


def header_in(source, folder):
    return next((str(h.relative_to(source)) for h in sorted((source / folder).glob("*.h"))), None)


def main():
    source, roots_folder, compiler = pathlib.Path(sys.argv[1]), pathlib.Path(sys.argv[2]), sys.argv[3]
    core = {name: uses.split() for name, uses in CORE.items()}
    rooms = {f"amber_{name}": ({f"core/{used}" for used in closure(name, core)}) for name in core}
    for name in APP:
        rooms[f"amber_app_{name}"] = {f"app/{f}" for layer in closure(name, LAYERS) for f in APP[layer]}
    folders = {f"core/{name}" for name in core} | {f"app/{f}" for layer in APP.values() for f in layer}
    wrong, tried = [], 0
    for target, allowed in rooms.items():
        own = [r for r in (roots_folder / f"{target}.roots").read_text().split("\n") if "/house/" in r]
        headers = {folder: header_in(source, folder) for folder in sorted(folders)
                   # The window may use all of core that its layer links; places and core may not use one another.
                   if not (target.startswith("amber_app_") and folder.startswith("core/"))}
        headers = {folder: header for folder, header in headers.items() if header}
        found = found_by(compiler, own, headers.values())
        tried += len(headers)
        wrong += [f"{target}: #include \"{header}\" should {'' if folder in allowed else 'not '}be found"
                  for folder, header in headers.items() if (header in found) != (folder in allowed)]
    for line in wrong:
        print(line)
    print(f"{tried} includes tried, {len(wrong)} wrong")
    return 1 if wrong or tried < 500 else 0


sys.exit(main())
