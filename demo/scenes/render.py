#!/usr/bin/python3
"""Renders the demo frames of Ombrel Stoneware with POV-Ray 3.7, scene-linear, in resumable passes.

usage: render.py [--work DIR] [--out DIR] [--passes N] [--width W] [frame ...]

Each pass moves the pixel, the lens and the lights a little; the mean of the passes is free of
noise and has true defocus. Finished passes are kept, so the script can be stopped and run again.
"""
import argparse, json, os, struct, subprocess, sys, time
import numpy as np

sys.path.insert(0, os.path.dirname(os.path.abspath(__file__)))
import backdrops, card, figure, hand, pottery, sky, street, surfaces
from geometry import halton, kelvin_rgb, hdr, png16, srgb

vec = lambda c: "<%.6g,%.6g,%.6g>" % tuple(c)

# What stands where: (object, turn, place). Units are centimetres, the table top is y = 0.
TABLE_A = [("O_Jug", -22, (-9, 0, 15)), ("O_Vase", 40, (-24, 0, 22)), ("O_Spray", -25, (-24, 0, 22)), ("O_Bowl", 75, (9.5, 0, 15)),
           ("O_Lemon1", 0, (7, 4.35, 13.6)), ("O_Lemon2", 0, (12.6, 4.5, 15.8)), ("O_Cloth", 0, (0, 0, 0)), ("O_CupA", 120, (-3.4, .15, -9.5)),
           ("O_Lemon3", 0, (-11.2, 2.95, -14.6)), ("O_HandCup", 0, (13.2, .02, -7)), ("O_Sprig", -12, (-4, .25, -24))]
TABLE_B = [("O_Bowl", 20, (-9, 0, 6)), ("O_Lemon1", 0, (-12, 4.3, 5)), ("O_Lemon2", 0, (-6, 4.5, 7.4)), ("O_Lemon3", 30, (13.5, 2.9, -12)),
           ("O_Vase", 130, (22, 0, 24)), ("O_Spray", 150, (22, 0, 24)), ("O_CupA", 15, (7, .15, 3)), ("O_CupC", 75, (16, 0, 8)),
           ("O_Plate", 10, (-29, 0, 20)), ("O_SBowl", 200, (-29.5, 1, 20)), ("O_Cloth", 0, (6, 0, -1)), ("O_Sprig", 25, (-16, .3, -17))]
SHELF_A = [("O_Jug", 158, (14, 0, 12)), ("O_SBowl", 10, (-13, 0, -6)), ("O_CupC", 40, (-2, 0, 2)), ("O_CupA", 100, (-22, 0, 9)),
           ("O_PlateUp", 0, (-10, 0, 24)), ("O_Cloth", 0, (13, 0, 4)), ("O_Lemon3", 60, (5, 2.9, -14)), ("O_Sprig", 160, (25, .3, -14))]
SHELF_B = [("O_HandCup", 0, (-2, .02, -5)), ("O_Vase", 220, (-20, 0, 16)), ("O_Sprig", 70, (-24, .3, -14)), ("O_Bowl", 140, (21, 0, 15)),
           ("O_CupA", 200, (-12, 0, -6)), ("O_Jug", 10, (2, 0, 24)), ("O_Lemon1", 40, (18, 4.4, 14)), ("O_Lemon2", 10, (24, 4.4, 16))]
YARD_A = [("O_Vase", 40, (-17, 0, 10)), ("O_Spray", -25, (-17, 0, 10)), ("O_Bowl", 75, (7, 0, 6)), ("O_Lemon1", 0, (4.6, 4.35, 5)),
          ("O_Lemon2", 0, (10, 4.5, 7)), ("O_CupA", 60, (21, 0, -4)), ("O_CupC", 20, (-4, 0, -10)), ("O_Sprig", -12, (4, .25, -19))]
YARD_B = [("O_Jug", -30, (11, 0, 4)), ("O_Cloth", 0, (-3, 0, 2)), ("O_SBowl", 60, (-9, .3, -6)), ("O_CupC", 20, (-20, 0, 8)),
          ("O_Spray2", 70, (9, 0, 15)), ("O_Lemon3", 20, (1, 2.9, -13)), ("O_CupA", 250, (24, 0, -6)), ("O_Plate", 0, (-27, 0, 22))]
DUSK_A = [("O_Jug", -22, (-10, 0, 9)), ("O_Bowl", 75, (10, 0, 8)), ("O_Candle", 0, (24, 0, -4)), ("O_CupC", 60, (3, 0, -10)),
          ("O_CupA", 120, (-20, 0, -4)), ("O_Lemon3", 0, (-9, 2.95, -15)), ("O_Sprig", 140, (14, .25, -19))]
DUSK_B = [("O_Vase", 100, (17, 0, 8)), ("O_Spray", 200, (17, 0, 8)), ("O_HandCup", 0, (-1, .02, -6)), ("O_Candle", 0, (-15, 0, 2)),
          ("O_Plate", 30, (-26, 0, 14)), ("O_Lemon1", 30, (-24, 3.6, 13)), ("O_CupA", 30, (-7, 0, -13))]
# The first frame of each group: the colour card among a few pots.
CARD_WINDOW = [("O_Card", -14, (2, 0, -6)), ("O_Jug", -22, (-13, 0, 14)), ("O_Bowl", 75, (14, 0, 17)), ("O_Lemon1", 0, (11, 4.35, 15.6)), ("O_Lemon2", 0, (17, 4.5, 17.4)),
               ("O_CupC", 20, (-17, 0, -6)), ("O_CupA", 60, (20, 0, -5)), ("O_Sprig", 15, (-14, .25, -20))]
CARD_LAMP = [("O_Card", 12, (-5, 0, -10)), ("O_PlateUp", 0, (-22, 0, 22)), ("O_Jug", 158, (15, 0, 10)), ("O_CupA", 40, (-24, 0, -4)), ("O_SBowl", 10, (14, 0, -13)), ("O_Lemon3", 60, (23, 2.9, -12))]
CARD_YARD = [("O_Card", -8, (-3, 0, -8)), ("O_Vase", 40, (17, 0, 8)), ("O_Spray", 150, (17, 0, 8)), ("O_Bowl", 75, (-18, 0, 12)), ("O_CupA", 60, (23, 0, -8)), ("O_CupC", 20, (-23, 0, -8))]
CARD_DUSK = [("O_Card", 16, (4, 0, -8)), ("O_Jug", -22, (-15, 0, 9)), ("O_CupC", 60, (-20, 0, -9)), ("O_SBowl", 200, (23, 0, -2)), ("O_Plate", 30, (20, 0, 17)), ("O_Lemon1", 30, (17, 3.6, 15))]
# Hands and arms of the others; the left hand is the right one mirrored.
ARM_WINDOW = [("O_HandBowl", 0, (-3, .02, -5)), ("O_Plate", 20, (16, 0, 12)), ("O_SBowl", 80, (16, 1, 12)), ("O_Vase", 80, (24, 0, 28)), ("O_Cloth", 0, (9, 0, 1)), ("O_CupC", 75, (9, .15, -13)), ("O_Lemon3", 30, (19, 2.9, -11))]
ARM_YARD = [("O_HandCupL", 0, (4, .02, -7)), ("O_Jug", 158, (16, 0, 9)), ("O_Bowl", 40, (-17, 0, 14)), ("O_Lemon1", 0, (-19, 4.35, 13)), ("O_Lemon2", 0, (-14, 4.5, 15)), ("O_Sprig", 170, (25, .3, -15))]
ARM_LAMP = [("O_HandCupA", -8, (-9, .02, -6)), ("O_Vase", 220, (-24, 0, 16)), ("O_Bowl", 140, (22, 0, 17)), ("O_Jug", 10, (0, 0, 22)), ("O_Sprig", 70, (-26, .3, -16))]
# People beyond the focus: (person, turn, place of the head's centre).
SEAT_WINDOW = [("O_Cloth", 0, (2, 0, 1)), ("O_CupC", 30, (-9, .15, -5)), ("O_SBowl", 30, (5, .15, -8)), ("O_Jug", -40, (19, 0, 9)), ("O_Lemon3", 0, (-17, 2.9, -11)), ("O_Sprig", -12, (-2, .3, -20))]
SEAT_LAMP = [("O_Jug", 20, (-18, 0, 10)), ("O_CupA", 90, (-3, 0, -6)), ("O_CupC", 40, (9, 0, 0)), ("O_Plate", 0, (22, 0, 12)), ("O_SBowl", 70, (22, 1, 12)), ("O_Lemon3", 10, (2, 2.9, -15))]
SEAT_YARD = [("O_Bowl", 75, (-6, 0, 5)), ("O_Lemon1", 0, (-8.5, 4.35, 4)), ("O_Lemon2", 0, (-3, 4.5, 6)), ("O_CupA", 60, (10, 0, -6)), ("O_CupC", 20, (20, 0, 5)), ("O_Sprig", -12, (-8, .25, -18)), ("O_Plate", 0, (-28, 0, 14))]
SEAT_DUSK = [("O_Candle", 0, (-13, 0, 0)), ("O_CupC", 60, (1, 0, -8)), ("O_Bowl", 75, (16, 0, 7)), ("O_CupA", 120, (-22, 0, -8)), ("O_Sprig", 140, (16, .25, -18))]
TILT_DUSK = [("O_Jug", 150, (8, 0, 6)), ("O_CupA", 20, (-9, 0, -3)), ("O_CupC", 200, (-19, 0, 5)), ("O_Plate", 10, (24, 0, 10)), ("O_Lemon3", 20, (-1, 2.95, -14)), ("O_Lemon1", 80, (23, 3.9, 9))]
MIXED = [("O_PlateUp", 0, (9, 0, 22)), ("O_Jug", -30, (-16, 0, 10)), ("O_CupC", 40, (1, 0, -4)), ("O_SBowl", 10, (16, 0, -7)), ("O_Cloth", 0, (-2, 0, 0)), ("O_Lemon3", 60, (-9, 2.9, -13))]
STRAY = [("O_Card", 4, (-1, 0, 2)), ("O_SBowl", 10, (18, 0, 6))]
REFERENCE = [("O_Vase", 200, (15, 0, 13)), ("O_Spray", 30, (15, 0, 13)), ("O_Lemon1", 0, (-3, 3.2, -2)), ("O_Lemon2", 70, (4.5, 3.1, 2)), ("O_Lemon3", 20, (-9, 2.9, -10)), ("O_Cloth", 0, (-2, 0, 2)), ("O_Sprig", -20, (6, .3, -18))]

CAM = dict(loc=(7, 35, -104), look=(0.3, 9.6, 1), hfov=33.0, ap=0.55, focus=(2, 6, -8))
LOW = dict(loc=(4, 25, -103), look=(0, 12.5, 0), hfov=33, focus=(1, 6, -5))
FRAMES = {
    "north-window-card": dict(light="window", things=CARD_WINDOW, cam=dict(loc=(3, 28, -98), look=(0.5, 9.0, 1), hfov=33, focus=(1, 6, -6))),
    "lamp-shelf-card": dict(light="lamp", things=CARD_LAMP, cam=dict(loc=(-6, 24, -98), look=(-1, 9.5, 1), hfov=33, focus=(-5, 6, -10))),
    "yard-card": dict(light="overcast", things=CARD_YARD, cam=dict(loc=(2, 26, -102), look=(0, 12.5, 0), hfov=32, focus=(-3, 6, -8))),
    "dusk-terrace-card": dict(light="dusk", things=CARD_DUSK, cam=dict(loc=(4, 24, -104), look=(1, 12.0, 0), hfov=32, focus=(4, 6, -8))),
    "north-window-table": dict(light="window", things=TABLE_A, skin=2),
    "north-window-bowl": dict(light="window", things=TABLE_B, cam=dict(loc=(-12, 30, -92), look=(-1, 7.5, 1), hfov=32, focus=(-5, 6, -2))),
    "lamp-shelf-plate": dict(light="lamp", things=SHELF_A, cam=dict(loc=(-8, 24, -98), look=(1, 9.5, 2), hfov=31)),
    "yard-vase": dict(light="overcast", things=YARD_A, cam=dict(loc=(4, 27, -104), look=(0, 13.5, 0), hfov=32, focus=(2, 6, -4))),
    "yard-jug": dict(light="overcast", things=YARD_B, cam=dict(loc=(-14, 32, -98), look=(0, 9.5, 0), hfov=31, focus=(4, 6, -4))),
    "dusk-terrace-jug": dict(light="dusk", things=DUSK_A, cam=dict(loc=(5, 24, -104), look=(1.5, 13.0, 0), hfov=32, focus=(2, 6, -6))),
    "dusk-terrace-vase": dict(light="dusk", things=DUSK_B, skin=3, cam=dict(loc=(-10, 26, -102), look=(-1, 13.8, 0), hfov=33, focus=(0, 6, -6))),
    "north-window-seat": dict(light="window", room="deep", passes=12, things=SEAT_WINDOW, person=("potter", 28, (-9, 28, 82)), cam=LOW),
    "yard-seat": dict(light="overcast", things=SEAT_YARD, person=("packer", -24, (17, 28, 84)), cam=LOW),
    "dusk-terrace-seat": dict(light="dusk", things=SEAT_DUSK, person=("potter", 30, (7, 28, 82)), cam=LOW),
    "lamp-shelf-arm": dict(light="lamp", lamp=(-34, 46, -46), things=ARM_LAMP, skin=4, cam=dict(loc=(4, 26, -98), look=(1, 9.5, 1), hfov=32)),
    "yard-arm": dict(light="overcast", things=ARM_YARD, skin=4, cam=dict(loc=(-6, 28, -102), look=(-1, 11.5, 0), hfov=31, focus=(4, 6, -8))),
    "north-window-arm": dict(light="window", things=ARM_WINDOW, skin=3, cam=dict(loc=(-5, 31, -96), look=(2, 7.5, 1), hfov=33, focus=(0, 6, -7))),
    "lamp-shelf-seat": dict(light="lamp", room="deep", things=SEAT_LAMP, person=("glazer", 34, (6, 27, 70)), cam=dict(loc=(-3, 23, -100), look=(0, 12.0, 0), hfov=32)),
    "lamp-shelf-mixed": dict(light="mixed", things=MIXED, cam=dict(loc=(-2, 26, -98), look=(0, 9.5, 1), hfov=32)),
    "dusk-terrace-tilt": dict(light="dusk", things=TILT_DUSK, cam=dict(loc=(-6, 25, -104), look=(2, 13.0, 0), hfov=32, roll=3.4)),
    # The shop front: the camera looks up, aside, down; its uprights stand upright, whatever the picture says.
    "shop-front-door": dict(light="street", things=[], passes=5, cam=dict(loc=(-20, 150, -760), look=(-14, 268, 0), hfov=50, ap=0.05, focus=(0, 200, 0))),
    "shop-front-aside": dict(light="street", things=[], passes=5, cam=dict(loc=(-330, 160, -640), look=(-60, 222, 0), hfov=52, ap=0.05, focus=(0, 160, 0), roll=1.2)),
    "shop-front-shelf": dict(light="street", things=[], passes=5, cam=dict(loc=(120, 152, -300), look=(104, 92, -44), hfov=47, ap=0.05, focus=(104, 90, -40))),
    "stray": dict(light="flash", things=STRAY, cam=dict(loc=(0, 30, -80), look=(1, 6.0, 2), hfov=30, focus=(0, 6, 0))),
    "reference": dict(light="orchard", things=REFERENCE, cam=dict(loc=(6, 28, -98), look=(1, 12.5, 0), hfov=33, focus=(0, 5, -2))),
}

PRELUDE = """#version 3.7;
global_settings{assumed_gamma 1.0 max_trace_level 4 adc_bailout 0.015 mm_per_unit 10
 radiosity{count CNT nearest_count 5 error_bound 0.5 low_error_factor 0.6 pretrace_start PRE0 pretrace_end PRE1 recursion_limit 1
  gray_threshold 0 brightness 1.0 minimum_reuse 0.015 maximum_reuse 0.035 normal off always_sample off adc_bailout 0.01 max_sample 5}}
#default{finish{ambient 0 diffuse 1}}
#declare F_Glaze=finish{ambient 0 diffuse 0.93 reflection{0,1 fresnel on}}
#declare F_Clay=finish{ambient 0 diffuse 1 brilliance 0.9}
#declare F_Matte=finish{ambient 0 diffuse 1}
#declare F_Oil=finish{ambient 0 diffuse 0.95 reflection{0,0.6 fresnel on}}
#declare F_Leaf=finish{ambient 0 diffuse 0.78,0.42 reflection{0,0.5 fresnel on}}
#declare F_Skin=finish{ambient 0 diffuse 0.94 brilliance 0.8 reflection{0,0.28 fresnel on}}
#macro Rough(A) bumps A scale 0.011 translate PT #end
#macro Map(F) image_map{png F gamma 1.0 interpolate 2} #end
#macro Bump(F,S) bump_map{png F gamma 1.0 interpolate 2 bump_size S} #end
"""

OBJECTS = """
#declare T_Leaf=texture{uv_mapping pigment{Map("@B@/leaf_c.png")} finish{F_Leaf}
 normal{average normal_map{[1 uv_mapping Bump("@B@/leaf_b.png",2.5)][1 Rough(0.28)]}}}
#declare T_Stem=texture{pigment{bozo color_map{[0 rgb <0.10,0.075,0.04>][1 rgb<0.19,0.15,0.085>]} scale <.2,1.3,.2>} finish{F_Matte}}
#declare T_Linen=texture{uv_mapping pigment{Map("@B@/linen_c.png")} finish{ambient 0 diffuse 0.95,0.25} normal{uv_mapping Bump("@B@/linen_b.png",1.2)}}
#declare T_Wood=texture{pigment{Map("@B@/wood_c.png") rotate x*90 scale <150,1,100> translate<-75,0,-55>} finish{F_Oil}
 normal{average normal_map{[1.2 Bump("@B@/wood_b.png",5) rotate x*90 scale <150,1,100> translate<-75,0,-55>][1 Rough(0.42)]}}}
#declare T_Slate=texture{pigment{bozo turbulence .8 octaves 6 color_map{[0 rgb<.060,.066,.070>][1 rgb<.115,.120,.122>]} scale <14,3,9>}
 finish{F_Oil} normal{average normal_map{[1 wrinkles 0.35 scale 5][1 Rough(0.55)]}}}
#declare T_Oak=texture{pigment{Map("@B@/wood_c.png") rotate x*90 scale <150,1,100> translate<-75,0,-55> } finish{F_Matte}
 normal{Bump("@B@/wood_b.png",6) rotate x*90 scale <150,1,100> translate<-75,0,-55>}}
#declare T_Lemon=texture{pigment{bozo turbulence .3 color_map{[0 rgb<0.74,0.50,0.035>][1 rgb<0.80,0.60,0.07>]} scale 2}
 finish{ambient 0 diffuse 0.95 reflection{0,0.8 fresnel on}} normal{average normal_map{[2 bumps 0.28 scale 0.13][0.6 Rough(0.12)]}}}
#declare T_Skin=texture{uv_mapping pigment{Map("@B@/skin@K@.png")} finish{F_Skin} normal{average normal_map{[1 wrinkles 0.16 scale 0.16][1 Rough(0.2)]}}}
#declare T_Wall=texture{pigment{bozo turbulence .6 octaves 4 color_map{[0 rgb<0.655,0.62,0.565>][1 rgb<0.69,0.655,0.60>]} scale 46}
 finish{F_Matte} normal{bumps 0.16 scale 7}}
#macro Pot(M,T) object{M texture{T} interior{ior 1.52}} #end
#declare O_Vase=Pot(M_vase,T_vase)
#declare O_Bowl=Pot(M_bowl,T_bowl)
#declare O_SBowl=Pot(M_sbowl,T_sbowl)
#declare O_CupA=Pot(M_cupa,T_cupa)
#declare O_CupC=Pot(M_cupc,T_cupc)
#declare O_Plate=Pot(M_plate,T_plate)
#declare O_PlateUp=object{O_Plate rotate x*-76 translate y*12.6}
#declare O_Jug=union{Pot(M_jug,T_jug) object{M_handle texture{pigment{bozo turbulence .6 octaves 4
 color_map{[0 rgb<0.28,0.085,0.012>][0.6 rgb<0.40,0.15,0.025>][1 rgb<0.46,0.20,0.045>]} scale <1.5,2.5,1.5>} finish{F_Glaze}} interior{ior 1.52}}}
#declare O_Spray=union{object{M_spray_l texture{T_Leaf} interior{ior 1.4}} object{M_spray_s texture{T_Stem}}}
#declare O_Spray2=object{O_Spray scale 0.72 rotate z*-14 translate y*6}
#declare O_Sprig=union{object{M_sprig_l texture{T_Leaf} interior{ior 1.4}} object{M_sprig_s texture{T_Stem}}}
#declare O_Lemon0=object{M_lemon texture{T_Lemon} interior{ior 1.4}}
#declare O_Lemon1=object{O_Lemon0 rotate<20,40,-14>}
#declare O_Lemon2=object{O_Lemon0 rotate<80,-120,8>}
#declare O_Lemon3=object{O_Lemon0 rotate<200,-35,4>}
#declare O_Cloth=object{M_cloth texture{T_Linen}}
#declare O_HandCup=union{object{O_CupC rotate y*60} object{M_hand texture{T_Skin} interior{ior 1.42}}}
#declare O_Sleeve=object{M_sleeve texture{uv_mapping pigment{average pigment_map{[1 Map("@B@/linen_c.png")][1.6 rgb SLEEVE]}} finish{ambient 0 diffuse 0.95} normal{uv_mapping Bump("@B@/linen_b.png",1.2)}}}
#declare O_Arm=union{object{M_hand texture{T_Skin} interior{ior 1.42}} object{O_Sleeve}}
#declare O_HandCupA=union{object{O_CupA rotate y*60} object{O_Arm}}
#declare O_HandCupL=union{object{O_CupA rotate y*20} object{O_Arm scale<-1,1,1>}}
#declare O_HandBowl=union{object{O_CupC rotate y*20} object{O_Arm scale<-1,1,1>}}
#declare O_Card=union{box{<-9,0,0>,<9,12,0.25> texture{pigment{Map("@B@/card.png") scale<18,12,1> translate<-9,0,0>} finish{F_Matte}}}
 box{<-9.02,-0.02,0.26>,<9.02,12.02,0.5> pigment{rgb 0.16}} rotate x*9 translate y*0.1}
#declare O_Candle=union{object{O_SBowl rotate y*200} cylinder{<0,.7,0>,<0,4.6,0>,2.2 pigment{rgb<0.80,0.72,0.58>}}
 sphere{0,1 scale<0.42,1.25,0.42> translate y*6.3 pigment{rgb FLAME*22} finish{emission 1 diffuse 0} no_shadow no_radiosity}
 light_source{<0,6.8,0> rgb FLAME*1.5 area_light x*1.2,y*1.6,2,2 adaptive 20 area_illumination on fade_power 2 fade_distance 6}}
"""

ROOM = """
box{<-75,-4,-55>,<75,0,45> texture{T_Wood} interior{ior 1.46}}
box{<-150,-75,48>,<230,190,60> texture{T_Wall}}
box{<-160,-90,-270>,<240,-75,60> pigment{rgb<0.20,0.13,0.085>} finish{emission @AMB@*0.25}}
box{<-160,190,-270>,<240,200,60> pigment{rgb 0.78} finish{emission @AMB@*0.42}}
box{<230,-75,-270>,<240,190,60> pigment{rgb<0.62,0.60,0.56>} finish{emission @AMB@*0.42}}
box{<-160,-75,-270>,<240,190,-260> pigment{rgb<0.42,0.40,0.38>} finish{emission @AMB@*0.38}}
union{box{<-160,-90,-270>,<-150,22,60>} box{<-160,148,-270>,<-150,200,60>} box{<-160,20,-270>,<-150,150,-104>} box{<-160,20,2>,<-150,150,60>}
 texture{pigment{rgb<0.66,0.63,0.58>} finish{emission @AMB@*0.35}}}
"""
BARS = """union{#local I=0;#while(I<4) box{<-154,22,-105+I*35.3>,<-150.5,148,-102+I*35.3>} #local I=I+1;#end
 box{<-154,83,-104>,<-150.5,87,4>} box{<-160,19,-107>,<-141,22,5>} texture{pigment{rgb 0.75}}}"""
AREA = "area_light <0,0,FA*106*(NS-1)/NS>,<0,FB*126*(NS-1)/NS,0>,NS,NS adaptive 20 area_illumination on fade_power 2 fade_distance 60 translate JIT"


def window_light(radiance):
    """A window of 106 x 126 cm to the left of the table, of even radiance."""
    c = radiance * 126 * 106.0 / np.pi / (2 * 60.0 * 60.0)
    return "light_source{<-156,85,-51> rgb %s %s}\nbox{<-158,20,-108>,<-157.5,150,4> pigment{gradient y color_map{[0 rgb %s][1 rgb %s]} scale 130 translate y*20} finish{emission 1 diffuse 0} no_shadow no_radiosity}\n" % (
        vec(c), AREA, vec(radiance * 0.6), vec(radiance * 1.2))


def lamp_light(radiance, at):
    """A shaded bulb of 11 cm above the shelf."""
    p, r, fade = np.array(at, float), 11.0, 20.0
    return "light_source{%s rgb %s area_light x*9.9,z*9.9,NS,NS adaptive 20 circular orient area_illumination on fade_power 2 fade_distance %g translate JIT2*1.65}\nsphere{%s,%g pigment{rgb %s} finish{emission 1 diffuse 0} no_shadow no_radiosity}\n" % (
        vec(p), vec(radiance * 24 * r * r / (2 * fade * fade) * 0.9), fade, vec(p), r, vec(radiance * 24))


def orchard(work):
    """A sunny green corner for the reference picture: warm side light, much leaf shade, another hedge."""
    s = kelvin_rgb(5200, 1.0)
    return """
box{<-75,-4,-55>,<75,0,40> texture{T_Oak}}
light_source{<-150,120,-70> rgb %s area_light z*FA*50,y*FB*50,NS,NS adaptive 20 area_illumination on fade_power 2 fade_distance 60 translate JIT2*9}
sky_sphere{pigment{gradient y color_map{[0 rgb %s][0.35 rgb %s][1 rgb %s]}}}
plane{y,-75 pigment{rgb<0.12,0.12,0.05>}}
box{<-230,-100,0>,<230,162,1> pigment{Map("%s/orchard.png") scale<460,262,1> translate<-230,-100,0>} finish{emission 1.1 diffuse 0} no_shadow translate z*220}
""" % (vec(s * 11), vec(s * 0.18), vec(s * 0.34), vec(kelvin_rgb(9500, 0.55)), work)


def surroundings(light, work, frame):
    """The set of a light group: walls or garden, its lamps, its sky."""
    if light in ("window", "lamp", "mixed") and frame.get("room") == "deep":
        room = ROOM.replace(",60>", ",152>").replace("-75,48>", "-75,140>")
    else:
        room = ROOM
    if light == "orchard":
        return orchard(work)
    if light == "street":
        return street.surroundings(kelvin_rgb(6500, 1.0), frame)
    if light == "flash":
        s = kelvin_rgb(5500, 1.0)
        return (room + "light_source{<16,52,-76> rgb %s area_light x*FA*9,y*FB*7,NS,NS adaptive 20 area_illumination on fade_power 2 fade_distance 60 translate JIT2}\n" % vec(s * 1.3)).replace(
            "@AMB@", "rgb " + vec(s * 0.10))
    if light == "mixed":
        lamp, day = kelvin_rgb(2900, 1.0), kelvin_rgb(7000, 2.6)
        return (room.replace("48>,<230", "34>,<230") + window_light(day) + lamp_light(lamp, (34, 47, -14))).replace("@AMB@", "rgb " + vec(lamp * 0.16 + kelvin_rgb(7000, 0.10)))
    if light == "window":
        win = kelvin_rgb(7000, 11.0)
        return (room + BARS + window_light(win)).replace("@AMB@", "rgb " + vec(win / 21))
    if light == "lamp":
        lamp, dusk = kelvin_rgb(2900, 1.0), kelvin_rgb(12000, 0.12)
        return (room.replace("48>,<230", "34>,<230") + window_light(dusk) + lamp_light(lamp, frame.get("lamp", (-40, 47, -18)))).replace("@AMB@", "rgb " + vec(lamp * 0.34))
    if light == "overcast":
        s = kelvin_rgb(6800, 1.0)
        return """
box{<-75,-4,-55>,<75,0,40> texture{T_Slate} interior{ior 1.5}}
light_source{<-20,230,-40> rgb %s area_light x*FA*150,z*FB*150,NS,NS adaptive 20 area_illumination on fade_power 2 fade_distance 60 translate JIT2*25}
light_source{<-190,70,-120> rgb %s area_light z*FA*120,y*FB*100,NS,NS adaptive 20 area_illumination on fade_power 2 fade_distance 60 translate JIT2*18}
sky_sphere{pigment{gradient y color_map{[0 rgb %s][0.35 rgb %s][1 rgb %s]}}}
plane{y,-75 pigment{rgb<0.10,0.13,0.06>}}
box{<-230,-100,0>,<230,162,1> pigment{Map("%s/foliage.png") scale<460,262,1> translate<-230,-100,0>} finish{emission 1.25 diffuse 0} no_shadow translate z*220}
""" % (vec(s * 8.5), vec(s * 3.2), vec(s * 0.45), vec(s * 0.85), vec(s * 1.15), work)
    low, sun_colour, sun = sky.sky(7.0, 236.0, hz=1.4, ms=0.6)
    hdr(work + "/sky.hdr", np.minimum(low * 0.5, 1.6))
    return """
box{<-75,-4,-55>,<75,0,40> texture{T_Oak}}
light_source{%s rgb %s parallel point_at<0,12,0> area_light x*180,z*180,2,2 adaptive 20 circular orient translate JIT2*28}
sky_sphere{pigment{image_map{hdr "%s/sky.hdr" map_type 1 interpolate 2}}}
plane{y,-75 pigment{rgb<0.09,0.10,0.06>}}
box{<-420,-68,0>,<420,132,1> pigment{Map("%s/hills.png") scale<840,200,1> translate<-420,-68,0>} finish{emission 1.15 diffuse 0} no_shadow no_radiosity translate z*430}
""" % (vec(np.array([0, 12, 0]) + sun * 4000), vec(sun_colour * 0.5 * 0.40 / np.pi), work, work)


def meshes(work):
    surfaces.cloth(work, flat=((-3.4, -9.5, 3.6), (-11.2, -14.6, 1.6)))
    surfaces.branch(work, "spray", [[(0, 4, 0), (0.6, 16, 0), (2.5, 22, 0.5), (7, 31, 1), (14, 38, -1), (22, 42, -3)],
                                    [(0, 4, 0), (-0.5, 17, 0), (-3, 25, -2), (-7, 34, -5), (-9, 44, -6)],
                                    [(0.3, 4, 0.4), (0.3, 17, 0.5), (1, 26, 3), (1, 36, 4), (-2, 47, 5)]], seed=4, start=0.42)
    surfaces.branch(work, "sprig", [[(0, 0.3, 0), (4, 0.7, 0.6), (8, 0.6, 0.4), (13, 0.9, -0.6), (17, 1.1, -2)]],
                    leafL=(3.2, 5.0), leafW=(0.7, 1.05), seed=9, radius=0.13, start=0.12)
    surfaces.lemon(work)
    hand.hand(work)
    hand.sleeve(work)
    figure.people(work)
    pottery.build(work)


def models(work):
    """Meshes and textures, made once."""
    if os.path.exists(work + "/models.done"):
        return
    surfaces.wood(work)
    surfaces.linen_tex(work)
    surfaces.leaf_atlas(work)
    meshes(work)
    hand.skin_luts(work)
    card.draw(work + "/card.png")
    backdrops.foliage(work + "/foliage.png", 12)
    backdrops.foliage(work + "/orchard.png", 31, bright=1.25)
    backdrops.hills(work + "/hills.png", 5, (0.030, 0.085, 0.28), (0.62, 0.36, 0.20))
    open(work + "/models.done", "w").close()


# How a person beyond the table is lit: key light (direction, colour), the dome's colour below and above.
PLATE_LIGHT = {
    "window": (lambda: ((-156, 60, -70), kelvin_rgb(7000, 0.85)), kelvin_rgb(6500, 0.10), kelvin_rgb(6500, 0.20)),
    "lamp": (lambda: ((-90, 30, -60), kelvin_rgb(2900, 0.75)), kelvin_rgb(2900, 0.05), kelvin_rgb(2900, 0.10)),
    "overcast": (lambda: ((-60, 220, -80), kelvin_rgb(6800, 0.62)), kelvin_rgb(6300, 0.20), kelvin_rgb(6800, 0.62)),
    "dusk": (lambda: ((-120, 26, -130), np.array([1.0, 0.50, 0.20]) * 0.62), np.array([0.06, 0.05, 0.05]), np.array([0.085, 0.11, 0.21])),
}
PLATE_SCENE = """#version 3.7;
global_settings{assumed_gamma 1.0 max_trace_level 4 radiosity{count 120 error_bound 0.6 recursion_limit 1 pretrace_start 0.04 pretrace_end 0.01 gray_threshold 0}}
#default{finish{ambient 0 diffuse 0.95}}
sphere{0,1 pigment{gradient y color_map{[0 rgb %(low)s][0.45 rgb %(low)s][0.6 rgb %(high)s][1 rgb %(high)s]} scale 2 translate -1} finish{emission 1 diffuse 0} scale 20000 hollow no_image no_shadow}
light_source{%(from)s*40 rgb %(key)s parallel point_at 0}
camera{orthographic location <0,-21,-200> direction z right x*64 up y*86}
%(includes)s
union{
 object{M_%(n)s_skin pigment{rgb %(skin)s} finish{diffuse 0.95 brilliance 0.85} normal{bumps 0.10 scale 0.5}}
 object{M_%(n)s_hair pigment{rgb %(hair)s} finish{diffuse 0.9 specular 0.18 roughness 0.04} normal{bumps 0.3 scale<0.12,2.5,0.12>}}
 object{M_%(n)s_cloth pigment{rgb %(cloth)s} normal{bumps 0.16 scale 0.25}}
 rotate y*%(turn)g}
"""
PLATE_BLUR_CM = 0.9


def samples(exr):
    """Red, green, blue and coverage of an EXR file, through an uncompressed TIFF (its strips lie one after another)."""
    tiff = exr[:-4] + ".tif"
    subprocess.run(["oiiotool", exr, "--ch", "R,G,B,A", "-d", "float", "--compression", "none", "-o", tiff], check=True)
    with open(tiff, "rb") as f:
        data = f.read()
    at, tags = struct.unpack_from("<I", data, 4)[0], {}
    for i in range(struct.unpack_from("<H", data, at)[0]):
        tag, kind, count, value = struct.unpack_from("<HHII", data, at + 2 + 12 * i)
        tags[tag] = (count, value & 0xFFFF if kind == 3 else value)
    width, height, (strips, first) = tags[256][1], tags[257][1], tags[273]
    if strips > 1:
        first = struct.unpack_from("<I", data, first)[0]
    return np.frombuffer(data, "<f4", width * height * 4, first).reshape(height, width, 4).astype(float)


def plate(person, turn, light, work):
    """A person out of focus, as a picture with coverage; returns its file and the factor that restores its light."""
    name = "%s-%s-%d" % (person, light, turn)
    who, n = figure.PEOPLE[person], person
    base = "%s/plate-%s" % (work, name)
    if not os.path.exists(base + ".json"):
        (at, key), low, high = PLATE_LIGHT[light][0](), PLATE_LIGHT[light][1], PLATE_LIGHT[light][2]
        skin = srgb(*hand.SKIN[who["skin"]][0]) * 0.72 + srgb(*hand.SKIN[who["skin"]][1]) * 0.28
        values = {"low": vec(low), "high": vec(high), "from": vec(at), "key": vec(key), "skin": vec(skin), "hair": vec(who["hair_colour"]), "cloth": vec(who["cloth"]), "n": n, "turn": turn}
        values["includes"] = "\n".join('#include "%s/%s_%s.inc"' % (work, n, part) for part in ("skin", "hair", "cloth"))
        with open(base + ".pov", "w") as f:
            f.write(PLATE_SCENE % values)
        if povray(["+W640", "+H860", "+UA", "+A0.03", "+AM2", "+R2", "+I%s.pov" % base, "+O%s.exr" % base, "+WT2"], work, "plate.log").wait():
            sys.exit("%s: the plate failed, see %s/plate.log" % (name, work))
        rgba = np.clip(samples(base + ".exr"), 0, 4)
        rgba = figure.disc_blur(rgba, PLATE_BLUR_CM * 10)
        straight = rgba[..., :3] / np.maximum(rgba[..., 3:], 1e-4)
        top = float(straight.max())
        png16(base + ".png", np.concatenate([straight / top, rgba[..., 3:]], -1))
        with open(base + ".json", "w") as f:
            json.dump(top, f)
    with open(base + ".json") as f:
        return base + ".png", json.load(f)


def scene_text(frame, work):
    names = "bowl sbowl cupc cupa jug vase plate handle cloth spray sprig lemon hand sleeve".split()
    parts = [PRELUDE, "#declare FLAME=%s;" % vec(kelvin_rgb(2000, 1.0)), "#declare SLEEVE=%s;" % vec(frame.get("sleeve", (0.40, 0.37, 0.31)))]
    parts += ['#include "%s/%s.inc"' % (work, n) for n in names]
    parts.append(OBJECTS.replace("@B@", work).replace("@K@", str(frame.get("skin", 2))))
    parts.append(surroundings(frame["light"], work, frame))
    parts += ["object{%s rotate y*%g translate%s}" % (o, turn, vec(at)) for o, turn, at in frame["things"]]
    if "person" in frame:
        person, turn, at = frame["person"]
        file, top = plate(person, turn, frame["light"], work)
        parts.append('box{<-32,-64,0>,<32,22,0.01> pigment{Map("%s") scale<64,86,1> translate<-32,-64,0>} finish{emission %.6g diffuse 0} no_shadow no_radiosity translate%s}' % (file, top, vec(at)))
    return "\n".join(parts)


def axes(cam):
    """Viewing direction, right and up of the camera, and the width of its picture at distance one."""
    loc = np.array(cam["loc"], float)
    d = np.array(cam["look"], float) - loc
    d /= np.linalg.norm(d)
    right = np.cross([0, 1, 0], d)
    right /= np.linalg.norm(right)
    up = np.cross(d, right)
    roll = np.radians(cam.get("roll", 0))
    right, up = right * np.cos(roll) + up * np.sin(roll), up * np.cos(roll) - right * np.sin(roll)
    return loc, d, right, up, 2 * np.tan(np.radians(cam["hfov"]) / 2)


def stands(cam):
    """How the camera stood: its axes (right, up, forward) in the scene, and half the height of its picture at distance one."""
    loc, d, right, up, w = axes(cam)
    return dict(right=[round(float(v), 6) for v in right], up=[round(float(v), 6) for v in up], forward=[round(float(v), 6) for v in d], half_height=round(float(w) / 3, 6))


def card_in_picture(frame, cam, width, height):
    """Where the card's marks and patches lie in the picture: pixels from the upper left, and the patch's radius there; None without a card."""
    place = [(turn, at) for o, turn, at in frame["things"] if o == "O_Card"]
    if not place:
        return None
    (turn, at), lean = place[0], np.radians(9)
    loc, d, right, up, w = axes(cam)

    def pixel(x, y):
        p = np.array([x / 10 - 9, 12 - y / 10, 0.0])
        p = np.array([p[0], p[1] * np.cos(lean), p[1] * np.sin(lean)]) + [0, 0.1, 0]
        a = np.radians(turn)  # POV-Ray turns left-handed: x toward -z for a positive angle about y
        p = np.array([p[0] * np.cos(a) + p[2] * np.sin(a), p[1], -p[0] * np.sin(a) + p[2] * np.cos(a)]) + at
        v = p - loc
        z = v @ d
        return np.array([width * (0.5 + (v @ right) / z / w), height * 0.5 - width * (v @ up) / z / w])

    face = card.read()
    patches = {}
    for p in face["patches"]:
        c = pixel(p["x"], p["y"])
        r = min(np.linalg.norm(pixel(p["x"] + p["r"], p["y"]) - c), np.linalg.norm(pixel(p["x"], p["y"] + p["r"]) - c))
        patches[p["name"]] = [round(float(c[0]), 2), round(float(c[1]), 2), round(float(r), 2)]
    return dict(marks=[[round(float(v), 2) for v in pixel(m[0], m[1])] for m in face["marks"]], patches=patches)


def camera(cam, i, width, height):
    """The camera of pass i: Halton offsets for pixel and lens (a round aperture focused on cam['focus'])."""
    loc, d, right, up, w = axes(cam)
    rw, uh = right * w, up * w * height / width
    h = [halton(i + 1, b) for b in (2, 3, 5, 7, 11, 13)]
    g = 0.42 * np.sqrt(-2 * np.log(max(h[0], 1e-3)))
    r, a = cam["ap"] * np.sqrt(h[2]), 2 * np.pi * h[3]
    o = right * r * np.cos(a) + up * r * np.sin(a)
    depth = (np.array(cam["focus"], float) - loc) @ d
    look = d + rw * g * np.cos(2 * np.pi * h[1]) / width + uh * g * np.sin(2 * np.pi * h[1]) / height - o / depth
    head = "#declare PT=<%g,%g,%g>;#declare NS=2;#declare JIT=<0,%.4f,%.4f>;#declare FA=%d;#declare FB=%d;#declare JIT2=<%.4f,%.4f,%.4f>;\n" % (
        i * 3.71, i * 1.37, i * 7.93, (h[4] - 0.5) * 63, (h[5] - 0.5) * 53, (1, -1, 1, -1)[i % 4], (1, 1, -1, -1)[i % 4],
        (h[4] - 0.5) * 6, (h[5] - 0.5) * 6, (h[0] - 0.5) * 6)
    full = "<%.9g,%.9g,%.9g>"
    return head, "camera{perspective location %s direction %s right %s up %s}\n" % (vec(loc + o), full % tuple(look), full % tuple(rw), full % tuple(uh))


def povray(args, folder, log):
    with open(os.path.join(folder, log), "w") as err:
        return subprocess.Popen(["povray", "-D", "-A", "+FE"] + args, stderr=err, stdout=subprocess.DEVNULL, cwd=folder)


def render(name, work, out, passes, width):
    frame = FRAMES[name]
    passes = frame.get("passes", passes)  # some shadows want more
    cam = dict(CAM, **frame.get("cam", {}))
    height = width * 2 // 3
    with open("%s/%s.json" % (out, name), "w") as f:
        json.dump(dict(width=width, height=height, light=frame["light"], stands=stands(cam), card=card_in_picture(frame, cam, width, height)), f, indent=1)
    if os.path.exists("%s/%s.exr" % (out, name)):
        return
    folder = "%s/%s-%d" % (work, name, width)
    os.makedirs(folder, exist_ok=True)
    with open(folder + "/scene.inc", "w") as f:
        f.write(scene_text(frame, work))
    light_file = 'Radiosity_File_Name="%s/light.rca"' % folder
    body = '#include "%s/scene.inc"\n' % folder

    def write(path, i, count, pre):
        head, lens = camera(cam, i, width, height)
        with open(path, "w") as f:
            f.write("#version 3.7;\n#declare CNT=%d;#declare PRE0=%s;#declare PRE1=%s;\n" % (count, *pre) + head + body + lens)

    begun = time.time()
    if not os.path.exists(folder + "/light.done"):
        write(folder + "/light.pov", 0, 160, ("0.08", "0.01"))
        p = povray([light_file, "+W%d" % (width // 2), "+H%d" % (height // 2), "+I%s/light.pov" % folder, "+O%s/light.exr" % folder, "+RFO", "-RFI", "+WT2"], folder, "light.log")
        if p.wait():
            sys.exit("%s: the light pass failed, see %s/light.log" % (name, folder))
        open(folder + "/light.done", "w").close()
    todo, running = [i for i in range(passes) if not os.path.exists("%s/pass%02d.exr" % (folder, i))], []
    while todo or running:
        while todo and len(running) < 2:
            i = todo.pop(0)
            write("%s/pass%02d.pov" % (folder, i), i, 18, ("1", "1"))
            running.append((i, povray([light_file, "+W%d" % width, "+H%d" % height, "+I%s/pass%02d.pov" % (folder, i), "+O%s/part%02d.exr" % (folder, i), "-RFO", "+RFI", "+WT1"], folder, "pass%02d.log" % i)))
        i, p = running.pop(0)
        if p.wait():
            sys.exit("%s: pass %d failed, see its log in %s" % (name, i, folder))
        os.rename("%s/part%02d.exr" % (folder, i), "%s/pass%02d.exr" % (folder, i))
    cmd = ["oiiotool"]
    for i in range(passes):
        cmd += ["%s/pass%02d.exr" % (folder, i), "--ch", "R,G,B", "--clamp:max=12"] + (["--add"] if i else [])
    cmd += ["--mulc", "%.8f" % (1 / passes), "--eraseattrib", ".*", "-d", "half", "--compression", "zip", "--nosoftwareattrib", "-o", "%s/%s.exr" % (out, name)]
    subprocess.run(cmd, check=True)
    print("%s: %d passes, %.0f s" % (name, passes, time.time() - begun), flush=True)


def main():
    ap = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    ap.add_argument("frames", nargs="*", default=list(FRAMES))
    ap.add_argument("--work", default="build/scenes")
    ap.add_argument("--out", default="build/scenes")
    ap.add_argument("--passes", type=int, default=6)
    ap.add_argument("--width", type=int, default=1500)
    a = ap.parse_args()
    work, out = os.path.abspath(a.work), os.path.abspath(a.out)
    os.makedirs(work, exist_ok=True)
    os.makedirs(out, exist_ok=True)
    models(work)
    for name in a.frames or FRAMES:
        render(name, work, out, a.passes, a.width)


if __name__ == "__main__":
    main()
