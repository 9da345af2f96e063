#!/bin/sh
# A delivery in parts as a job array of Slurm; then a job that brings the lists together.
#   slurm.sh JOB OUT RECIPES PARTS
set -eu
job=$1 out=$2 recipes=$3 parts=$4
array=$(sbatch --parsable --array="1-$parts" --wrap \
  "amber job handover '$job' --out '$out' --recipe '$recipes' --part \$SLURM_ARRAY_TASK_ID/$parts")
sbatch --dependency="afterok:$array" --wrap "amber job merge '$out' && amber job verify '$out'"
