"""The shop front of Ombrel Stoneware: a plastered facade with straight uprights, and the display shelf beside its door."""

vec = lambda c: "<%.6g,%.6g,%.6g>" % tuple(c)

TEXTURES = """
#declare S_Plaster=texture{pigment{bozo turbulence .7 octaves 5 color_map{[0 rgb<0.50,0.47,0.41>][1 rgb<0.60,0.57,0.51>]} scale 60} finish{F_Matte}
 normal{average normal_map{[1 bumps 0.35 scale 1.2][1 wrinkles 0.25 scale 9]}}}
#declare S_Stone=texture{pigment{bozo turbulence .8 octaves 6 color_map{[0 rgb<0.27,0.26,0.25>][1 rgb<0.40,0.39,0.36>]} scale 22} finish{F_Matte}
 normal{average normal_map{[1 wrinkles 0.5 scale 6][1 bumps 0.3 scale 0.8]}}}
#declare S_Paint=texture{pigment{bozo turbulence .4 color_map{[0 rgb<0.055,0.13,0.115>][1 rgb<0.075,0.165,0.145>]} scale 30} finish{F_Oil} normal{bumps 0.05 scale 0.7}}
#declare S_White=texture{pigment{rgb<0.78,0.77,0.74>} finish{F_Oil} normal{bumps 0.04 scale 0.7}}
#declare S_Glass=texture{pigment{rgb<0.025,0.032,0.036>} finish{ambient 0 diffuse 0.6 reflection{0.02,0.9 fresnel on}}}
#declare S_Upright=texture{T_Wood rotate x*90 rotate z*90}
"""


def window(x, y, w, h, across, down):
    """A window set back in the wall: its frame, its bars, its sill."""
    parts = ["box{<%g,%g,2>,<%g,%g,16> texture{S_Glass} interior{ior 1.5}}" % (x, y, x + w, y + h)]
    bar = "box{<%g,%g,-2>,<%g,%g,5> texture{S_White}}"
    for i in range(across + 1):
        at = x + i * w / across
        parts.append(bar % (at - 2.2, y - 2, at + 2.2, y + h + 2))
    for i in range(down + 1):
        at = y + i * h / down
        parts.append(bar % (x - 2, at - 2.2, x + w + 2, at + 2.2))
    parts.append("box{<%g,%g,-14>,<%g,%g,6> texture{S_Stone}}" % (x - 10, y - 10, x + w + 10, y - 2))
    return parts


def shelf(x, z):
    """Three boards between two uprights, with pots; a metre and a half high."""
    parts = ["box{<%g,0,%g>,<%g,152,%g> texture{S_Upright}}" % (x + at, z, x + at + 4, z + 34) for at in (0, 136)]
    parts += ["box{<%g,%g,%g>,<%g,%g,%g> texture{T_Wood}}" % (x + 4, y, z, x + 136, y + 3.4, z + 34) for y in (12, 58, 104, 148)]
    parts += ["box{<%g,8,%g>,<%g,150,%g> texture{S_White}}" % (x + 4, z + 32.5, x + 136, z + 34)]
    rows = {107.4: ("O_Jug", "O_CupA", "O_Vase", "O_CupC", "O_Bowl"), 61.4: ("O_Bowl", "O_CupC", "O_Jug", "O_PlateUp", "O_CupA"), 15.4: ("O_Vase", "O_SBowl", "O_PlateUp", "O_Jug", "O_Bowl")}
    for y, things in rows.items():
        for i, thing in enumerate(things):
            parts.append("object{%s rotate y*%g translate<%g,%g,%g>}" % (thing, 37 * i + y, x + 20 + i * 25, y, z + 15 + (i % 2) * 4))
    return parts


def surroundings(sky, frame):
    parts = [TEXTURES]
    # The wall stands in the plane z = 0, with the openings left free.
    parts.append("difference{box{<-700,0,0>,<700,640,40> texture{S_Plaster}} " +
                 " ".join("box{<%g,%g,-1>,<%g,%g,17> texture{S_White}}" % (x, y, x + w, y + h) for x, y, w, h in
                          ((-330, 96, 150, 130), (150, 96, 190, 130), (-330, 390, 110, 150), (-120, 390, 110, 150), (90, 390, 110, 150), (300, 390, 110, 150), (-95, 0, 108, 232))) + "}")
    for x, y, w, h, across, down in ((-330, 96, 150, 130, 3, 2), (150, 96, 190, 130, 4, 2), (-330, 390, 110, 150, 2, 3), (-120, 390, 110, 150, 2, 3), (90, 390, 110, 150, 2, 3), (300, 390, 110, 150, 2, 3)):
        parts += window(x, y, w, h, across, down)
    # Door, step, posts, the board above, bands of stone, a rain pipe.
    parts += ["box{<-95,0,4>,<13,232,14> texture{S_Paint} interior{ior 1.5}}"]
    parts += ["box{<%g,%g,1>,<%g,%g,6> texture{S_Paint} interior{ior 1.5}}" % (x, y, x + 42, y + h) for x in (-88, -36) for y, h in ((14, 60), (88, 60), (162, 58))]
    parts += ["box{<%g,0,-9>,<%g,250,2> texture{S_Stone}}" % (x, x + 16) for x in (-114, 16)]
    parts += ["box{<-118,-2,-34>,<36,0.5,4> texture{S_Stone}}", "box{<-380,262,-10>,<380,318,2> texture{S_Paint} interior{ior 1.5}}",
              "box{<-384,316,-14>,<384,322,2> texture{S_White}}", "box{<-384,256,-14>,<384,262,2> texture{S_White}}",
              "box{<-700,346,-8>,<700,362,2> texture{S_Stone}}", "box{<-700,590,-22>,<700,616,2> texture{S_Stone}}", "box{<-700,0,-5>,<700,44,2> texture{S_Stone}}",
              "cylinder{<418,0,-9>,<418,600,-9>,6 texture{S_Stone}}"]
    # On the board: a bowl, a jug and a bowl, cut from light tiles.
    parts += ["cylinder{<%g,290,-11>,<%g,290,-10>,%g texture{S_White}}" % (x, x, r) for x, r in ((-60, 17), (0, 21), (60, 17))]
    parts += shelf(*frame.get("shelf", (36, -44)))
    parts += ["object{O_Spray scale 2.2 translate<-150,34,-30>}", "object{O_Vase scale 2.4 translate<-150,0,-30>}"]
    parts.append("box{<-1500,-6,-1600>,<1500,0.2,41> texture{S_Stone}}")
    parts.append("""
light_source{<-500,1400,-900> rgb %s area_light x*FA*900,z*FB*900,NS,NS adaptive 20 area_illumination on translate JIT2*120}
light_source{<-1300,500,-900> rgb %s area_light z*FA*600,y*FB*500,NS,NS adaptive 20 area_illumination on translate JIT2*90}
sky_sphere{pigment{gradient y color_map{[0 rgb %s][0.3 rgb %s][1 rgb %s]}}}
""" % (vec(sky * 0.55), vec(sky * 0.22), vec(sky * 0.40), vec(sky * 1.5), vec(sky * 2.6)))
    return "\n".join(parts)
