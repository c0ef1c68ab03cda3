<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan;

use NimbleKnuckle\Core\Document\Node;

/** What can hurt somebody or break something at a step. One that can hurt must be acknowledged before the step closes. */
final readonly class Caution
{
    public function __construct(public string $text, public bool $acknowledge)
    {
    }

    /** @return list<self> */
    public static function readList(Node $node, string $key): array
    {
        if (!$node->has($key)) {
            return [];
        }
        $cautions = [];
        foreach ($node->list($key) as $i => $value) {
            if (is_string($value)) {
                $cautions[] = new self($value, false);
                continue;
            }
            $one = Node::of($value, $key.'.'.$i);
            $cautions[] = new self($one->string('text'), $one->bool('acknowledge'));
        }

        return $cautions;
    }

    /** @return array{text: string, acknowledge: bool} */
    public function toArray(): array
    {
        return ['text' => $this->text, 'acknowledge' => $this->acknowledge];
    }
}
