-- Parameters go by the trade's names: locks that were made under the old ones.

update parameter_lock set parameter = regexp_replace(parameter, '(source\d\.)copies$', '\1unisonVoices') where parameter like '%.copies';
update parameter_lock set parameter = regexp_replace(parameter, '(source\d\.)balance$', '\1unisonBalance') where parameter like '%.balance';
update parameter_lock set parameter = regexp_replace(parameter, '(source\d\.)phaseFrom(\d)$', '\1phaseModulation\2') where parameter like '%.phaseFrom%';
update parameter_lock set parameter = regexp_replace(parameter, '\.into$', '.output') where parameter like '%.into';
update parameter_lock set parameter = regexp_replace(parameter, '(source\d\.)stretch$', '\1inharmonicity') where parameter like '%.stretch';
update parameter_lock set parameter = regexp_replace(parameter, '(effect\d+\.)gain$', '\1output') where parameter ~ 'effect\d+\.gain$';
update parameter_lock set parameter = regexp_replace(parameter, 'delay\.wobbleRate$', 'delay.modulationRate') where parameter like '%delay.wobbleRate';
update parameter_lock set parameter = regexp_replace(parameter, 'delay\.wobble$', 'delay.modulationDepth') where parameter like '%delay.wobble';
update parameter_lock set parameter = regexp_replace(parameter, 'widener\.side$', 'widener.delayedSide') where parameter like '%widener.side';
update parameter_lock set parameter = regexp_replace(parameter, 'widener\.time$', 'widener.delay') where parameter like '%widener.time';
update parameter_lock set parameter = regexp_replace(parameter, 'tremolo\.spread$', 'tremolo.stereoPhase') where parameter like '%tremolo.spread';
update parameter_lock set parameter = regexp_replace(parameter, 'bands\.(down|up)$', 'multiband.\1Threshold') where parameter ~ 'bands\.(down|up)$';
update parameter_lock set parameter = regexp_replace(parameter, 'bands\.', 'multiband.') where parameter like '%.bands.%';
update parameter_lock set parameter = regexp_replace(parameter, 'transients\.', 'transientShaper.') where parameter like '%.transients.%';
update parameter_lock set parameter = regexp_replace(parameter, 'crush\.', 'bitcrusher.') where parameter like '%.crush.%';
update parameter_lock set parameter = regexp_replace(parameter, 'ducking\.division$', 'ducking.rate') where parameter like '%ducking.division';
