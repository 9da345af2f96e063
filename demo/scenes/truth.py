#!/usr/bin/python3
"""Renders what stands where in the demo's scenes: flat colours, no light, no blur, for tests of areas.

usage: truth.py [--work DIR] [--out DIR] [scene ...]

Red says which thing of the scene's list it is (8 + 8 times its number from 1 on; 8: none of them), green what it is
(5 times the number in PARTS). The lens of a frame is not in it: it throws a mask as it throws the picture.
"""
import argparse, os, subprocess, sys
import numpy as np

sys.path.insert(0, os.path.dirname(os.path.abspath(__file__)))
import render
from geometry import png16, vnoise

PARTS = dict(vase=1, leaf=2, bowl=3, lemon=4, cloth=5, cup_amber=6, cup_celadon=7, plate=8, small_bowl=9, jug=10, skin=11, sleeve=12, card=13, candle=14, flame=15,
             table=20, wall=21, hills=22, sky=23, foliage=24, hair=30, person_cloth=31, person_skin=32)
PERSON = 28  # the number that a person has as a thing
WIDTH, HEIGHT = 750, 500


def flat(part, thing=0):
    return "pigment{rgb<%g,%g,0>} finish{ambient 1 diffuse 0}" % ((thing * 8 + 8) / 255, PARTS[part] * 5 / 255)


def models(work):
    """The meshes of render.py, without its textures."""
    if os.path.exists(work + "/models.done"):
        return
    render.meshes(work)
    open(work + "/models.done", "w").close()


def thing(name, i):
    """An object of render.py in the flat colour of its parts."""
    mesh = lambda m, part: "object{M_%s %s}" % (m, flat(part, i))
    arm = "union{%s %s}" % (mesh("hand", "skin"), mesh("sleeve", "sleeve"))
    lemon = lambda turn: "object{%s rotate<%s>}" % (mesh("lemon", "lemon"), turn)
    spray = "union{%s %s}" % (mesh("spray_l", "leaf"), mesh("spray_s", "leaf"))
    all_of_them = {
        "O_Vase": mesh("vase", "vase"), "O_Bowl": mesh("bowl", "bowl"), "O_SBowl": mesh("sbowl", "small_bowl"),
        "O_CupA": mesh("cupa", "cup_amber"), "O_CupC": mesh("cupc", "cup_celadon"), "O_Plate": mesh("plate", "plate"),
        "O_PlateUp": "object{%s rotate x*-76 translate y*12.6}" % mesh("plate", "plate"),
        "O_Jug": "union{%s %s}" % (mesh("jug", "jug"), mesh("handle", "jug")),
        "O_Spray": spray, "O_Spray2": "object{%s scale 0.72 rotate z*-14 translate y*6}" % spray,
        "O_Sprig": "union{%s %s}" % (mesh("sprig_l", "leaf"), mesh("sprig_s", "leaf")),
        "O_Lemon1": lemon("20,40,-14"), "O_Lemon2": lemon("80,-120,8"), "O_Lemon3": lemon("200,-35,4"), "O_Cloth": mesh("cloth", "cloth"),
        "O_HandCup": "union{object{%s rotate y*60} %s}" % (mesh("cupc", "cup_celadon"), mesh("hand", "skin")),
        "O_HandCupA": "union{object{%s rotate y*60} %s}" % (mesh("cupa", "cup_amber"), arm),
        "O_HandCupL": "union{object{%s rotate y*20} object{%s scale<-1,1,1>}}" % (mesh("cupa", "cup_amber"), arm),
        "O_HandBowl": "union{object{%s rotate y*20} object{%s scale<-1,1,1>}}" % (mesh("cupc", "cup_celadon"), arm),
        "O_Card": "union{box{<-9.02,-0.02,0>,<9.02,12.02,0.5> %s} rotate x*9 translate y*0.1}" % flat("card", i),
        "O_Candle": "union{object{%s rotate y*200} cylinder{<0,.7,0>,<0,4.6,0>,2.2 %s} sphere{0,1 scale<0.42,1.25,0.42> translate y*6.3 %s}}"
                    % (mesh("sbowl", "small_bowl"), flat("candle", i), flat("flame", i))}
    return all_of_them[name]


def hills(work):
    """Where backdrops.hills draws hills, and where sky."""
    path, width, height, seed = work + "/hills.png", 1800, 430, 5
    y, x = np.mgrid[0:height, 0:width].astype(float)
    is_hill = np.zeros(y.shape, bool)
    for k in range(5):
        top = 0.66 + 0.055 * k + 0.055 * vnoise(x / (620 - 60 * k), 3.1 * k, seed=seed + 9 * k) + 0.012 * vnoise(x / 120, 1.7 * k, seed=seed + k)
        is_hill |= y / height > top
    picture = np.zeros((height, width, 3))
    picture[..., 0], picture[..., 1] = 8 / 255, np.where(is_hill, PARTS["hills"], PARTS["sky"]) * 5 / 255
    png16(path, picture)
    return path


def povray(path, more):
    log = path[:-4] + ".log"
    with open(log, "w") as err:
        if subprocess.run(["povray", "-D", "-A", "File_Gamma=1.0", "+WT1", "+I" + path] + more, stderr=err, stdout=subprocess.DEVNULL).returncode:
            sys.exit("it cannot be rendered, see " + log)


def plate(person, turn, work):
    base = "%s/plate-%s-%d" % (work, person, turn)
    with open(base + ".pov", "w") as f:
        f.write("#version 3.7; global_settings{assumed_gamma 1.0}\ncamera{orthographic location <0,-21,-200> direction z right x*64 up y*86}\n")
        f.write("".join('#include "%s/%s_%s.inc"\n' % (work, person, part) for part in ("skin", "hair", "cloth")))
        f.write("union{object{M_%s_skin %s} object{M_%s_hair %s} object{M_%s_cloth %s} rotate y*%g}"
                % (person, flat("person_skin", PERSON), person, flat("hair", PERSON), person, flat("person_cloth", PERSON), turn))
    povray(base + ".pov", ["+W640", "+H860", "+UA", "+FN16", "+O%s.png" % base])
    return base + ".png"


def scene(frame, work):
    light = frame["light"]
    text = ["#version 3.7; global_settings{assumed_gamma 1.0}", "#declare F_Glaze=finish{} #declare F_Clay=finish{}"]
    for name in "bowl sbowl cupc cupa jug vase plate handle cloth spray sprig lemon hand sleeve".split():
        with open("%s/%s.inc" % (work, name)) as f:
            mesh = f.read()
        at = mesh.find("#declare P_" + name)  # the pots' own textures follow
        text.append(mesh if at < 0 else mesh[:at])
    if light in ("window", "lamp", "mixed", "flash"):
        text.append("box{<-75,-4,-55>,<75,0,45> %s}" % flat("table"))
        text.append("box{<-150,-75,%g>,<230,190,160> %s}" % (140 if frame.get("room") == "deep" else 34 if light in ("lamp", "mixed") else 48, flat("wall")))
    else:
        text.append("box{<-75,-4,-55>,<75,0,40> %s} plane{y,-75 %s}" % (flat("table"), flat("hills" if light == "dusk" else "foliage")))
        if light == "dusk":
            text.append("background{rgb<%g,%g,0>}" % (8 / 255, PARTS["sky"] * 5 / 255))
            text.append('box{<-420,-68,0>,<420,132,1> pigment{image_map{png "%s" gamma 1.0} scale<840,200,1> translate<-420,-68,0>} finish{ambient 1 diffuse 0} translate z*430}' % hills(work))
        else:
            text.append("box{<-230,-100,0>,<230,162,1> %s translate z*220}" % flat("foliage"))
    for i, (name, turn, at) in enumerate(frame["things"]):
        text.append("object{%s rotate y*%g translate<%g,%g,%g>}" % (thing(name, i + 1), turn, *at))
    if "person" in frame:
        person, turn, at = frame["person"]
        text.append('box{<-32,-64,0>,<32,22,0.01> pigment{image_map{png "%s" gamma 1.0} scale<64,86,1> translate<-32,-64,0>} finish{ambient 1 diffuse 0} translate<%g,%g,%g>}'
                    % (plate(person, turn, work), *at))
    loc, d, right, up, w = render.axes(dict(render.CAM, **frame.get("cam", {})))
    v = lambda a: "<%.9g,%.9g,%.9g>" % tuple(a)
    text.append("camera{perspective location %s direction %s right %s up %s}" % (v(loc), v(d), v(right * w), v(up * w * 2 / 3)))
    return "\n".join(text)


def main():
    ap = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    ap.add_argument("scenes", nargs="*")
    ap.add_argument("--work", default="build/truth")
    ap.add_argument("--out", default="demo/truth")
    a = ap.parse_args()
    work, out = os.path.abspath(a.work), os.path.abspath(a.out)
    os.makedirs(work, exist_ok=True)
    os.makedirs(out, exist_ok=True)
    models(work)
    for name in a.scenes or [n for n, f in render.FRAMES.items() if f["light"] not in ("street", "orchard")]:
        path = "%s/%s.pov" % (work, name)
        with open(path, "w") as f:
            f.write(scene(render.FRAMES[name], work))
        povray(path, ["+W%d" % WIDTH, "+H%d" % HEIGHT, "+FN8", "+O%s/%s.png" % (out, name)])
        print(name, flush=True)


if __name__ == "__main__":
    main()
