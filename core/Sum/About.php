<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** What a door says of itself. */
final readonly class About
{
    /**
     * @param string $summary one line: what it answers
     * @param string $group under which heading the list of sums has it
     * @param \Closure(): list<Field> $fields made when they are asked for: a page that runs one sum names all of them
     * @param array<array-key, string> $shown what of the example is not a needed field with its own example: the name of an
     *                                        optional field, or name => another figure
     */
    public function __construct(
        public string $name, public string $summary, public string $group, private \Closure $fields, private array $shown = [],
    ) {
    }

    /** @return list<Field> */
    public function fields(): array
    {
        return ($this->fields)();
    }

    /** @return array<string, string> what stands in the fields when nothing was typed: something that shows something */
    public function example(): array
    {
        $also = array_filter($this->shown, is_int(...), \ARRAY_FILTER_USE_KEY);
        $example = [];
        foreach ($this->fields() as $field) {
            $own = $field->required || in_array($field->name, $also, true) ? $field->example : null;
            $figure = $this->shown[$field->name] ?? $own;
            null === $figure || $example[$field->name] = $figure;
        }

        return $example;
    }
}
