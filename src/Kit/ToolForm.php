<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;

/**
 * A tool of the kit. What its numbers may be the editor of the kit knows; what it says stands at the field.
 *
 * @extends AbstractType<Tool>
 */
final class ToolForm extends AbstractType
{
    /** field => [label, example] */
    private const NUMBERS = [
        'drive' => ['Drive', '3/8 in'], 'min' => ['From, torque wrench', '10 N·m'], 'max' => ['To', '60 N·m'],
        'error' => ['Reads within', '4 %'], 'lever' => ['Handle to drive', '330 mm'], 'calibrated' => ['Calibrated on', '2026-01-15'],
    ];

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->add('id', HiddenType::class, ['empty_data' => ''])->add('seen', HiddenType::class, ['empty_data' => '']);
        $builder->add('name', TextType::class, [
            'label' => 'Name', 'empty_data' => '', 'attr' => ['maxlength' => 120, 'autocomplete' => 'off'],
            'constraints' => [
                new NotBlank(message: 'Name the tool, for example “3/8 in click wrench”.'),
                new Length(max: 120, maxMessage: 'A name has at most {{ limit }} characters.'),
            ],
        ])->add('kind', ChoiceType::class, [
            'label' => 'Kind', 'choices' => array_flip(KitEditor::KINDS),
            'invalid_message' => 'Choose a kind from the list.', 'constraints' => [new NotBlank(message: 'Choose a kind from the list.')],
        ]);
        foreach (self::NUMBERS as $field => [$label, $example]) {
            $builder->add($field, TextType::class, [
                'label' => $label, 'required' => false, 'empty_data' => '',
                'attr' => ['placeholder' => $example, 'autocomplete' => 'off', 'maxlength' => 40],
            ]);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => Tool::class, 'allow_extra_fields' => true]);
    }
}
