<?php

declare(strict_types=1);

/**
 * What the forms of a page would send, each by each of its buttons, with what stands in their fields as a browser lets it (HTML, 4.10.5.1,
 * “value sanitization algorithm”): that which changes something. Files are left out.
 *
 * @return list<array{action: string, fields: string, button: string}> the fields as a query
 */
return static function (string $html): array {
    $page = new DOMDocument;
    @$page->loadHTML('<?xml encoding="utf-8"?>'.$html, LIBXML_NOERROR | LIBXML_NOWARNING);
    $path = new DOMXPath($page);
    $sent = [];
    foreach ($path->query('//form[translate(@method, "POST", "post") = "post" and not(ancestor::template)]') ?: [] as $form) {
        if (! $form instanceof DOMElement) {
            continue;
        }
        $id = $form->getAttribute('id');
        $own = static fn (string $of): iterable => $path->query(
            ".//{$of}[not(@form) and not(ancestor-or-self::*[@disabled])]"
                .($id === '' ? '' : " | //{$of}[@form = '{$id}' and not(ancestor-or-self::*[@disabled])]"),
            $form,
        )
        ?: [];
        $fields = $buttons = [];
        $take = static function (DOMElement $field, string $value) use (&$fields): void {
            $field->getAttribute('name') === '' || $fields[] = rawurlencode($field->getAttribute('name')).'='.rawurlencode($value);
        };
        foreach ($own('input') as $field) {
            match (true) {
                ! ($field instanceof DOMElement),
                in_array($field->getAttribute('type'), ['file', 'submit'], true),
                $field->getAttribute('name') === '_token' => null,
                in_array($field->getAttribute('type'), ['checkbox', 'radio'], true) => $field->hasAttribute('checked')
                    ? $take($field, $field->getAttribute('value') ?: 'on')
                    : null,
                $field->getAttribute('type') === 'date' => $take(
                    $field,
                    preg_match('/^\d{4}-\d{2}-\d{2}$/D', $field->getAttribute('value')) === 1 ? $field->getAttribute('value') : '',
                ),
                $field->getAttribute('type') === 'number' => $take(
                    $field,
                    is_numeric($field->getAttribute('value')) ? $field->getAttribute('value') : '',
                ),
                $field->getAttribute('type') === 'hidden' => $take($field, $field->getAttribute('value')),
                default => $take($field, str_replace(["\r", "\n"], '', $field->getAttribute('value'))),
            };
        }
        foreach ($own('textarea') as $field) {
            $field instanceof DOMElement && $take($field, $field->textContent);
        }
        foreach ($own('select') as $field) {
            $options = $field instanceof DOMElement ? $path->query('.//option[@selected]|.//option[1]', $field) : false;
            $options = $options === false ? [] : iterator_to_array($options);
            $chosen = array_values(array_filter($options, fn ($option) => $option instanceof DOMElement && $option->hasAttribute('selected')))[0] ?? $options[0] ?? null;
            $field instanceof DOMElement
                && $chosen instanceof DOMElement
                && $take($field, $chosen->hasAttribute('value') ? $chosen->getAttribute('value') : $chosen->textContent);
        }
        foreach ($own('button[not(@type) or @type = "submit"]') as $button) {
            $button instanceof DOMElement && $buttons[] = $button;
        }
        // One without a button is only shown.
        foreach ($buttons as $button) {
            $more = $button->getAttribute('name') === ''
                ? []
                : [rawurlencode($button->getAttribute('name')).'='.rawurlencode($button->getAttribute('value'))];
            $sent[] = [
                'action' => $button->getAttribute('formaction') ?: $form->getAttribute('action'),
                'fields' => implode('&', [...$fields, ...$more]),
                'button' => trim((string) preg_replace('/\s+/u', ' ', $button->textContent)),
            ];
        }
    }

    return $sent;
};
