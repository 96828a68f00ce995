-- What is to be done in a hold, or in a step of a warm-up or a settle, is a code; until now it was the sentence. A sentence that no code
-- is known for stays as it is.
create function pg_temp.with_cues(prescribed jsonb) returns jsonb language plpgsql as $$
declare
  kept text := prescribed::text;
  pair text[];
begin
  foreach pair slice 1 in array array[
    ['Measure, and write it down\.', 'measure'],
    ['Move easily, through what is free\.', 'move easily'],
    ['Lie still\. Breathe slowly\.', 'lie still'],
    ['March on the spot, arms swinging\.', 'march'],
    ['Hip circles, both ways\.', 'hip circles'],
    ['Hip circles, slow, both ways\.', 'slow hip circles'],
    ['Cat and cow, five of each\.', 'cat and cow'],
    ['Cat and cow, slow\.', 'slow cat and cow'],
    ['Circles of arms, elbows and wrists, both ways\.', 'arm circles'],
    ['Arm circles, forward and back\.', 'arm circles both ways'],
    ['Leg swings, (left|right)\. A hand on the wall\.', 'leg swings'],
    ['Leg swings across, (left|right)\. Both hands on the wall\.', 'leg swings across'],
    ['Lunge and sink, (left|right) foot in front\.', 'lunge and sink'],
    ['Half-split pulses, (left|right) leg in front\.', 'half-split pulses'],
    ['Sit\. Knee circles, (left|right), both ways\.', 'knee circles'],
    ['Ankle circles, (left|right), both ways\.', 'ankle circles'],
    ['Heel raises, slow\.', 'heel raises'],
    ['Sit\. Feet pointed and drawn up, in turn\.', 'feet in turn'],
    ['Sit tall\. Turn and bend to either side\.', 'turn and bend'],
    ['Shake out arms and hands, easily\.', 'shake out hands'],
    ['Shake out arms and legs, easily\.', 'shake out all'],
    ['Lie on your side, a cushion between the knees\. Breathe slowly\.', 'lie on the side'],
    ['Stay\. Push yourself up with your hands when you rise\.', 'rise by the hands'],
    ['Lie on your back, knees bent, feet wide\. Breathe slowly\.', 'lie on the back'],
    ['Stay\. When you rise, turn to the right side first\.', 'rise by the side'],
    ['Stand at ease, both feet alike\. Breathe slowly\.', 'stand at ease']
  ] loop
    kept := regexp_replace(kept, '"cue": "' || pair[1] || '"', '"cue": "' || pair[2] || '"', 'g');
  end loop;
  return kept::jsonb;
end $$;

update session set prescribed = pg_temp.with_cues(prescribed) where prescribed::text like '%"cue": "%';
update kept_session set prescribed = pg_temp.with_cues(prescribed) where prescribed::text like '%"cue": "%';

drop function pg_temp.with_cues(jsonb);
