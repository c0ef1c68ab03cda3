<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** A question asked once before the plan is made, or a set of ways to do the same thing. */
final readonly class ChoiceGroup
{
    /**
     * @param non-empty-list<Option> $options
     * @param string $topic what it asks of the vehicle, where another procedure may ask the same: then it is asked once
     */
    public function __construct(
        public string $id,
        public string $ask,
        public string $why,
        public bool $isWay,
        public array $options,
        public string $default,
        public string $topic = '',
    ) {
    }

    public static function read(Node $node, bool $isWay): self
    {
        $options = $node->each('options', Option::read(...));
        [] !== $options || throw $node->refuse('options', 'at least one option is needed.');
        $default = $node->string('default', $options[0]->id);
        in_array($default, array_map(static fn (Option $option): string => $option->id, $options), true)
            || throw $node->refuse('default', sprintf('“%s” is none of the options.', $default));

        return new self(
            $node->string('id'), $node->string('ask'), $node->string('why', ''), $isWay, $options, $default, $node->string('topic', ''),
        );
    }

    public function option(string $id): ?Option
    {
        foreach ($this->options as $option) {
            if ($option->id === $id) {
                return $option;
            }
        }

        return null;
    }
}
