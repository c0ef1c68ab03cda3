<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Jobs;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/**
 * Registration, chassis, mileage, job number, customer: nothing of it is needed to work.
 *
 * @extends AbstractType<JobRecord>
 */
final class JobForm extends AbstractType
{
    /** field => [label, most signs, placeholder] */
    private const FIELDS = [
        'registration' => ['Registration', 20, ''], 'number' => ['Job number', 40, ''],
        'mileage' => ['Mileage or hours', 40, '128 400 km or 5120 h'], 'chassis' => ['Chassis number', 40, ''],
        'customer' => ['Customer', 120, ''], 'phone' => ['Phone', 60, ''],
    ];
    /** For the hand-over sheet: field => [label, most signs, help] */
    private const TOLD = [
        'asked' => ['What was asked for', 300, 'As they said it. It stands on the hand-over sheet as the why.'],
        'found' => ['What you found, for them', 600, 'In their words: what to look after, what will be due.'],
    ];

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        foreach (self::FIELDS as $field => [$label, $most, $placeholder]) {
            $builder->add($field, TextType::class, [
                'label' => $label, 'required' => false, 'empty_data' => '',
                'attr' => ['maxlength' => $most, 'placeholder' => $placeholder, 'autocomplete' => 'off'],
                'constraints' => [
                    new Length(max: $most, maxMessage: 'At most {{ limit }} characters.'),
                    ...('mileage' === $field ? [new Callback(self::isMileage(...))] : []),
                ],
            ]);
        }
        self::addTold($builder);
    }

    /** @param FormBuilderInterface<JobRecord|null> $builder */
    private static function addTold(FormBuilderInterface $builder): void
    {
        foreach (self::TOLD as $field => [$label, $most, $help]) {
            $builder->add($field, TextareaType::class, [
                'label' => $label, 'required' => false, 'empty_data' => '', 'help' => $help,
                'attr' => ['rows' => 3, 'maxlength' => $most], 'constraints' => [new Length(max: $most)],
            ]);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => JobRecord::class]);
    }

    private static function isMileage(string $text, ExecutionContextInterface $context): void
    {
        if ('' === trim($text)) {
            return;
        }
        // Running hours are more than any step of a fit may last.
        if (1 === preg_match('/\A\d[\d\s.,]*(?:h|hrs?|hours?)\z/i', trim($text))) {
            return;
        }
        try {
            Notation::read(Kind::Distance, $text)->value() >= 0.0 || $context->addViolation('A mileage is not below zero.');
        } catch (InvalidQuantity) {
            $context->addViolation('Write it like 128400 km, 79800 mi or 5120 h.');
        }
    }
}
