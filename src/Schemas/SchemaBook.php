<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Schemas;

use NimbleKnuckle\Core\Document\InvalidDocument;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Holds documents against the JSON Schema of their format: what we read and what we write. */
final readonly class SchemaBook
{
    private const PREFIX = 'https://schemas.nimble-knuckle.invalid/';

    public function __construct(#[Autowire(param: 'app.schemas_dir')] private string $schemasDir)
    {
    }

    /**
     * @param string $name vehicle-1, procedure-1, common-1, mishaps-1, sheet-1, fit-1, workshop-1
     *
     * @throws InvalidDocument at the first place that does not fit
     */
    public function ensureValid(mixed $document, string $name): void
    {
        foreach ($this->faults($document, $name, 1) as $fault) {
            throw $fault;
        }
    }

    /** @return list<InvalidDocument> what does not fit, each with its place and what may stand there */
    public function faults(mixed $document, string $name, int $most = 20): array
    {
        $validator = (new Validator())->setMaxErrors($most);
        foreach (glob($this->schemasDir.'/*.json') ?: [] as $file) {
            $validator->resolver()?->registerFile(self::PREFIX.basename($file, '.json'), $file);
        }
        $error = $validator->validate(self::asObjects($document), self::PREFIX.$name)->error();
        $faults = [];
        foreach (null === $error ? [] : $this->deepest($error, $most > 1) as $one) {
            $path = implode(
                '.', array_map(static fn (mixed $part): string => is_scalar($part) ? (string) $part : '', $one->data()->fullPath()),
            );
            $message = self::message($one);
            $faults[$path.$message] ??= InvalidDocument::at($path, $message);
        }

        return array_values($faults);
    }

    /** @return list<ValidationError> the errors that have none below them */
    private function deepest(ValidationError $error, bool $all): array
    {
        $found = [];
        // Where one of several shapes would do, every shape has its own complaint: the first says enough.
        $isChoice = in_array($error->keyword(), ['oneOf', 'anyOf'], true);
        foreach ($error->subErrors() as $inner) {
            if ($inner instanceof ValidationError && ([] === $found || ($all && !$isChoice))) {
                array_push($found, ...$this->deepest($inner, $all));
            }
        }

        return [] === $found ? [$error] : $found;
    }

    /** In our words where it is about what may stand there, else as the validator says it. */
    private static function message(ValidationError $error): string
    {
        $schema = $error->schema()->info()->data();
        $list = static fn (mixed $values): string => implode(', ', array_map(
            static fn (mixed $value): string => '' === $value ? 'nothing' : (is_scalar($value) ? (string) $value : '…'),
            is_array($values) ? $values : [],
        ));
        $known = is_object($schema) && is_object($schema->properties ?? null) ? array_keys(get_object_vars($schema->properties)) : [];

        return match ($error->keyword()) {
            'enum' => sprintf('write one of these: %s.', $list(is_object($schema) ? $schema->enum ?? [] : [])),
            'required' => sprintf('%s is missing.', $list($error->args()['missing'] ?? [])),
            'additionalProperties' => sprintf(
                '%s is not known here; what may stand here: %s.', $list($error->args()['properties'] ?? []), $list($known),
            ),
            default => lcfirst((new ErrorFormatter())->formatErrorMessage($error)).'.',
        };
    }

    private static function asObjects(mixed $document): mixed
    {
        return json_decode(json_encode($document, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION), false, 64, \JSON_THROW_ON_ERROR);
    }
}
