<?php

/* Why a state can't be saved: see core/Content/Problem.php. */
return [
    'not_a_list' => 'The content is not a list of parts.',
    'too_many_parts' => 'There are :count parts; an item holds :max at most.',
    'not_a_part' => 'A part is not put together as one.',
    'bad_id' => 'A part has an id that can not be used.',
    'doubled_id' => 'Two parts share the id :id.',
    'unknown_role' => 'There is a part that a document does not know: :role.',
    'bad_depth' => 'A part is nested deeper than it may be.',
    'misplaced' => 'A :role stands where none may stand.',
    'not_fields' => 'A part has no fields.',
    'unknown_field' => 'A part has a field that it does not know: :field.',
    'not_a_boolean' => 'A field that is on or off is neither.',
    'out_of_range' => 'A number is not between :min and :max.',
    'bad_string' => 'A text is longer than :max characters.',
    'not_one_of' => 'A field is none of: :words.',
    'bad_hash' => 'A picture has no address.',
    'not_rich_text' => 'A text is not put together as one.',
    'text_too_long' => 'One paragraph is longer than :max KB.',
    'no_such_picture' => 'A picture is not kept with this item. Put it in again from its file.',
    'too_big' => 'This is too much at once: an item holds :max MB of text at most. Nothing that was saved before is lost.',
    'unknown_base' => 'What you started from is not known here. What you wrote is kept on this computer; open the item anew and put it in.',
    'not_json' => 'What was sent can not be read.',
];
