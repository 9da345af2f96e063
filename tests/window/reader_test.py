#!/usr/bin/python3
"""The window as a screen reader has it: everything that can be reached is named, and can be done from there.

usage: dbus-run-session -- xvfb-run -a reader_test.py JOLLY-AMBER AMBER
"""
import os
import subprocess
import sys
import tempfile
import time

import pyatspi

PATIENCE = 60
# What a reader walks through without stopping.
SILENT = {pyatspi.ROLE_FILLER, pyatspi.ROLE_PANEL, pyatspi.ROLE_SCROLL_PANE, pyatspi.ROLE_VIEWPORT,
          pyatspi.ROLE_SCROLL_BAR, pyatspi.ROLE_FRAME, pyatspi.ROLE_LAYERED_PANE}


def wait(for_what, found):
    end = time.monotonic() + PATIENCE
    while time.monotonic() < end:
        got = found()
        if got:
            return got
        time.sleep(0.1)
    sys.exit(f"waited in vain for {for_what}")


def walk(node, depth=0):
    """Everything that is on the screen; a list's items are its own matter."""
    if node is None or depth > 40:
        return
    yield node
    if node.getRole() in (pyatspi.ROLE_TABLE, pyatspi.ROLE_LIST, pyatspi.ROLE_TREE, pyatspi.ROLE_COMBO_BOX):
        return
    for child in node:
        if child is not None and child.getState().contains(pyatspi.STATE_SHOWING):
            yield from walk(child, depth + 1)


def window_of(pid):
    for application in pyatspi.Registry.getDesktop(0):
        if application is not None and application.get_process_id() == pid and application.childCount:
            return application[0]
    return None


def named(window, name):
    """By its name; of a box to choose from, which is called by what is chosen, by its description."""
    return next((node for node in walk(window) if name in (node.name, node.description)), None)


def press(button):
    actions = button.queryAction()
    names = [actions.getName(i) for i in range(actions.nActions)]
    actions.doAction(names.index("Press") if "Press" in names else 0)


def main(binary, command):
    with tempfile.TemporaryDirectory() as home:
        shoot = os.path.join(home, "shoot")
        subprocess.run([command, "demo", "--small", "--dir", shoot], check=True, stdout=subprocess.DEVNULL)
        # The guide has been seen: the window itself is what is read.
        guide = os.path.join(home, "config", "jolly-amber")
        os.makedirs(guide)
        with open(os.path.join(guide, "guide.ini"), "w", encoding="ascii") as file:
            file.write("[General]\nseen=true\n")
        environment = dict(os.environ, QT_LINUX_ACCESSIBILITY_ALWAYS_ON="1", QT_QPA_PLATFORM="xcb", LC_ALL="C.UTF-8",
                           XDG_CONFIG_HOME=os.path.join(home, "config"), XDG_DATA_HOME=os.path.join(home, "data"),
                           XDG_STATE_HOME=os.path.join(home, "state"))
        program = subprocess.Popen([binary, "--new-window", shoot], env=environment)
        try:
            return read(program)
        finally:
            program.terminate()
            program.wait()


def read(program):
    window = wait("the window", lambda: window_of(program.pid))
    places = ["Shoot", "Balance", "Areas", "Look", "Match", "Proof", "Hand over", "Log", "Practice"]
    shown = {"Shoot": "Contact sheet", "Balance": "Solve", "Areas": "Role", "Look": "Step line", "Match": "Pictures…",
             "Proof": "Table", "Hand over": "Recipes: ticked ones are made", "Log": "What was done", "Practice": "Begin ten rounds"}
    nameless, count = [], 0
    for place in places:
        button = wait(place, lambda: named(window, place))
        press(button)
        wait(f"{shown[place]} in {place}", lambda: named(window, shown[place]))
        for node in walk(window):
            if not node.getState().contains(pyatspi.STATE_FOCUSABLE) or node.getRole() in SILENT:
                continue
            count += 1
            if not (node.description if node.getRole() == pyatspi.ROLE_COMBO_BOX else node.name):
                nameless.append(f"{place}: {node.getRoleName()} {node.description!r}")
    print(f"{count} stops in {len(places)} places")
    for line in nameless:
        print("without a name:", line)
    return 1 if nameless or count < 150 else 0


if __name__ == "__main__":
    sys.exit(main(*sys.argv[1:]))
