<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** A reusable recipe for a kind of part, vehicle-free. Format nimble-knuckle/procedure@1. */
final readonly class Procedure
{
    public const FORMAT = 'nimble-knuckle/procedure@1';

    /**
     * @param list<string> $signs
     * @param list<ChoiceGroup> $groups questions and ways, in the order they are asked
     * @param list<Operation> $operations
     * @param list<string> $expects kinds of follow-up the procedure calls for
     */
    private function __construct(
        public string $id,
        public string $title,
        public string $summary,
        public array $signs,
        public Roles $needs,
        public array $groups,
        public array $operations,
        public array $expects,
    ) {
    }

    public static function read(Node $node, CommonParts $common): self
    {
        self::FORMAT === $node->string('format') || throw $node->refuse('format', sprintf('this is not %s.', self::FORMAT));
        $operations = [];
        foreach ($node->nodes('operations') as $child) {
            $included = $child->has('include')
                ? ($common->fragment($child->string('include')) ?? throw $child->refuse('include', 'there is no such common part.'))
                : [Operation::read($child)];
            foreach ($included as $operation) {
                isset($operations[$operation->id]) && throw $child->refuse(
                    'id', sprintf('the operation “%s” stands here twice.', $operation->id),
                );
                $operations[$operation->id] = $operation;
            }
        }
        $groups = [
            ...array_map(static fn (Node $group): ChoiceGroup => ChoiceGroup::read($group, false), $node->nodes('questions')),
            ...array_map(static fn (Node $group): ChoiceGroup => ChoiceGroup::read($group, true), $node->nodes('ways')),
        ];
        self::ensureKnownGroups($node, $groups, $operations);

        return new self(
            $node->string('id'), $node->string('title'), $node->string('summary', ''), $node->strings('signs'),
            Roles::read($node->node('needs'), $node->strings('not_with')), $groups, array_values($operations), $node->strings('expects'),
        );
    }

    /** What stands when nothing was answered. */
    public function defaults(): Choices
    {
        $chosen = [];
        foreach ($this->groups as $group) {
            $chosen[$group->id] = $group->default;
        }

        return new Choices($chosen);
    }

    /**
     * @param list<ChoiceGroup> $groups
     * @param array<string, Operation> $operations
     */
    private static function ensureKnownGroups(Node $node, array $groups, array $operations): void
    {
        $known = [];
        foreach ($groups as $group) {
            $known[$group->id] = $group;
        }
        foreach ($operations as $operation) {
            foreach ($operation->aim->when as $group => $options) {
                isset($known[$group]) || throw $node->refuse(
                    'operations.'.$operation->id.'.when', sprintf('there is no question or way “%s”.', $group),
                );
                foreach ($options as $option) {
                    $known[$group]->option($option) ?? throw $node->refuse(
                        'operations.'.$operation->id.'.when', sprintf('“%s” has no option “%s”.', $group, $option),
                    );
                }
            }
            foreach (array_merge(...array_map(static fn (PutIn $put): array => $put->outs(), $operation->needs->puts)) as $out) {
                isset($operations[$out]) || throw $node->refuse(
                    'operations.'.$operation->id.'.puts', sprintf('there is no operation “%s”.', $out),
                );
            }
            foreach ($operation->slot->untils() as $until) {
                isset($operations[$until]) || throw $node->refuse(
                    'operations.'.$operation->id.'.until', sprintf('there is no operation “%s”.', $until),
                );
            }
        }
    }
}
