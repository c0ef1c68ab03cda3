<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** The fields of a fact, read off its class once. */
final class Shape
{
    /** @var array<class-string<Fact>, self> */
    private static array $known = [];

    /**
     * @param class-string<Fact> $class
     * @param array<string, string> $fields field as it is written => string, int or float; a trailing ? marks what may be absent
     * @param array<string, string> $names field as it is written => as the class calls it
     * @param list<string> $ofServer
     */
    private function __construct(
        private readonly string $class, public readonly array $fields, private readonly array $names, public readonly array $ofServer,
    ) {
    }

    /** @param class-string<Fact> $class */
    public static function of(string $class): self
    {
        return self::$known[$class] ??= self::read($class);
    }

    /** @param array<string, string|int|float> $payload cleaned, fields that are absent left out */
    public function fact(array $payload): Fact
    {
        $given = [];
        foreach (array_intersect_key($this->names, $payload) as $field => $name) {
            $value = $payload[$field];
            $given[$name] = match (rtrim($this->fields[$field], '?')) {
                'string' => (string) $value,
                'int' => (int) $value,
                default => (float) $value,
            };
        }

        return new $this->class(...$given);
    }

    /** @param class-string<Fact> $class */
    private static function read(string $class): self
    {
        $fields = $names = $ofServer = [];
        foreach ((new \ReflectionMethod($class, '__construct'))->getParameters() as $one) {
            $field = strtolower((string) preg_replace('/[A-Z]/', '_$0', $one->getName()));
            $type = $one->getType();
            $fields[$field] = ($type instanceof \ReflectionNamedType ? $type->getName() : 'string').($one->isOptional() ? '?' : '');
            $names[$field] = $one->getName();
            [] === $one->getAttributes(FromServer::class) || $ofServer[] = $field;
        }

        return new self($class, $fields, $names, $ofServer);
    }
}
